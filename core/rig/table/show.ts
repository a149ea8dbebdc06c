import * as z from 'zod'
import { idSchema, nameSchema, orderSchema, type Id } from './scalars'

export type ShowId = Id<'show'>

/** A set list: songs in playing order. One may come twice. */
export const showSchema = z.strictObject({
  id: idSchema<'show'>(),
  order: orderSchema,
  name: nameSchema,
  songIds: z.array(idSchema<'song'>()).max(300),
})

export type Show = Readonly<z.infer<typeof showSchema>>
