import * as z from 'zod/mini'
import type { Port, RoleOf } from './port'

/** Letters and digits: the id of a relay box's function, or that of a jack with the number of its contact behind it. */
export const contactIdSchema = z.string().check(z.regex(/^[a-zA-Z0-9]{1,21}$/))

/** What the contacts of a jack are called, number one first: after the jack where it has one, else with 1 and 2 behind. */
export const jackContactIds = (
  { id }: Pick<Port, 'id'>,
  { poles }: Pick<RoleOf<'switchIn'>, 'poles'>,
): readonly string[] => (poles === 1 ? [id] : Array.from({ length: poles }, (_, pole) => `${id}${pole + 1}`))
