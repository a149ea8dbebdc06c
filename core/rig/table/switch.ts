import * as z from 'zod'
import { actionSchema } from './action'
import { idSchema, optionalNameSchema, type Id } from './scalars'

export type SwitchId = Id<'switch'>

/** Done in order. */
const actionsSchema = z.array(actionSchema).max(128)

/** What one footswitch does in one bank. */
export const switchSchema = z.strictObject({
  id: idSchema<'switch'>(),
  bankId: idSchema<'bank'>(),
  /** The footswitch, counted from 1 at the left of the near row. */
  number: z.int().min(1).max(72),
  label: optionalNameSchema,
  /** Each press does the next position's actions: one position is a recall, two alternate, more cycle. */
  positions: z.array(actionsSchema).min(1).max(16),
  /** Done when the foot comes off: with it the switch is a hold. */
  release: actionsSchema,
})

/** `switch` is a reserved word; the row is a footswitch. */
export type Footswitch = Readonly<z.infer<typeof switchSchema>>

export const isProgrammed = (footswitch: Footswitch): boolean =>
  footswitch.release.length > 0 || footswitch.positions.some((actions) => actions.length > 0)
