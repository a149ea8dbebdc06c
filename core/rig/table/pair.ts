import * as z from 'zod/mini'
import { idSchema, nameSchema, optionalNameSchema, orderSchema, textSchema, type Id } from './scalars'
import { setValuesSchema } from './setValue'

/** Names a pair for ever. */
export type PairId = Id<'pair'>

/** Two states a device has learned for one external switch or pedal. They cannot be edited, only learned again. */
export const pairSchema = z.strictObject({
  id: idSchema<'pair'>(),
  deviceId: idSchema<'device'>(),
  order: orderSchema,
  name: nameSchema,
  /** What changes from one to the other: "Left footswitch". */
  by: optionalNameSchema,
  a: setValuesSchema,
  b: setValuesSchema,
  /** Meant to stay as it is, whatever is edited around it. */
  isLocked: z.boolean(),
  /** What loses both states: "Calling another preset". */
  losesAll: textSchema(120),
  /** What both held when they were last learned, as text; null when never. */
  learned: z.nullable(textSchema(20_000)),
})

/** Two states a device has learned for one external switch or pedal. */
export type Pair = Readonly<z.infer<typeof pairSchema>>
