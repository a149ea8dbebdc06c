import { contactIdSchema } from './contactId'
import * as z from 'zod/mini'
import { idSchema, orderSchema, type Id } from './scalars'

/** Names one of them for ever. */
export type NeverId = Id<'never'>

/** One thing that can be so of a device. */
const thingSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('preset'), presetId: idSchema<'preset'>() }),
  /** On, as its chart counts it, or off. */
  z.strictObject({ kind: z.literal('control'), controlId: idSchema<'control'>(), isOn: z.boolean() }),
  z.strictObject({
    kind: z.literal('contact'),
    deviceId: idSchema<'device'>(),
    contactId: contactIdSchema,
    isClosed: z.boolean(),
  }),
])

/** One thing that can be so of a device. */
export type Thing = Readonly<z.infer<typeof thingSchema>>

/** The most things one of them is made of. */
export const THINGS_MAX = 4

/** Things that must never be so at once, whatever is stepped on. */
export const neverSchema = z.strictObject({
  id: idSchema<'never'>(),
  order: orderSchema,
  things: z.array(thingSchema).check(z.minLength(1), z.maxLength(THINGS_MAX)),
})

/** Things that must never be so at once, whatever is stepped on. */
export type Never = Readonly<z.infer<typeof neverSchema>>
