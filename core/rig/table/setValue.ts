import * as z from 'zod/mini'
import { U14_MAX } from '#core/base'
import { idSchema } from './scalars'

/** A control at a value. */
const setValueSchema = z.strictObject({
  controlId: idSchema<'control'>(),
  value: z.int().check(z.gte(0), z.lte(U14_MAX)),
})

/** A control at a value, 0 to 127 or 0 to 16383 by its address. */
export type SetValue = Readonly<z.infer<typeof setValueSchema>>

export const setValuesSchema = z.array(setValueSchema).check(z.maxLength(400))
