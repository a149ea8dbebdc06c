import * as z from 'zod/mini'
import { idSchema, optionalNameSchema, orderSchema, textSchema, type Id } from './scalars'

/** Names a cable for ever. */
export type CableId = Id<'cable'>

/** One end of a cable: a jack of a box on the floor. */
const endSchema = z.strictObject({
  table: z.literal(['controllers', 'devices']),
  id: idSchema() as unknown as z.ZodMiniType<string, string>,
  port: textSchema(20),
})

/** One end of a cable: a jack of a box on the floor. */
export type CableEnd = Readonly<z.infer<typeof endSchema>>

/** What is between the plugs. `din3` has pins 4, 5 and 2 wired, as most cables; `din5` all five. */
const leadSchema = z.literal(['din3', 'din5', 'trs', 'trrs', 'ts', 'usb', 'air', 'power'])

/** The lead of a cable. */
export type Lead = z.infer<typeof leadSchema>

/** `cross` swaps tip and ring; the others change a DIN plug to a TRS one or back, or TRRS to TRS (RP-054). */
const adapterSchema = z.literal(['cross', 'dinTrsA', 'dinTrsB', 'trrsTrs'])

/** What is put between a plug and its jack (RP-054). */
export type Adapter = z.infer<typeof adapterSchema>

/** A cable with its adapters. MIDI, power and control go from `from` to `to`; USB and Bluetooth both ways. */
export const cableSchema = z.strictObject({
  id: idSchema<'cable'>(),
  order: orderSchema,
  from: endSchema,
  to: endSchema,
  lead: leadSchema,
  adapters: z.array(adapterSchema).check(z.maxLength(3)),
  centimetres: z.int().check(z.gte(5), z.lte(10_000)),
  /** For the label sheet. */
  colour: optionalNameSchema,
})

/** A cable with its adapters; its length is in cm. */
export type Cable = Readonly<z.infer<typeof cableSchema>>
