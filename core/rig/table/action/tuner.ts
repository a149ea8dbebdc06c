import * as z from 'zod/mini'
import { idSchema } from '../scalars'
import type { ActionRow } from './actionRow'

/** A tuner, or the device that mutes and tunes. */
export const tunerSchema = z.strictObject({
  kind: z.literal('tuner'),
  controlId: idSchema<'control'>(),
  does: z.literal(['on', 'off', 'change']),
})

export const tuner: ActionRow<z.infer<typeof tunerSchema>> = {
  names: ({ controlId }) => [{ path: ['controlId'], table: 'controls', id: controlId }],
}
