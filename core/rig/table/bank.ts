import * as z from 'zod'
import { idSchema, optionalNameSchema, type Id } from './scalars'

export type BankId = Id<'bank'>

/** A bank (page) of a controller. */
export const bankSchema = z.strictObject({
  id: idSchema<'bank'>(),
  controllerId: idSchema<'controller'>(),
  /** Which one, counted from 0; the controller's `firstBank` says how that is shown. */
  index: z.int().min(0).max(999),
  name: optionalNameSchema,
})

export type Bank = Readonly<z.infer<typeof bankSchema>>
