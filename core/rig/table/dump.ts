import * as z from 'zod/mini'
import { idSchema, nameSchema, optionalNameSchema, orderSchema, textSchema, type Id } from './scalars'

/** Names a dump for ever. */
export type DumpId = Id<'dump'>

/** The most bytes of one dump, F0 and F7 counted. */
export const DUMP_BYTES_MAX = 1_000_000
/** The most messages of one dump. */
export const DUMP_MESSAGES_MAX = 10_000
/** The most bytes of one message: 65,536 between F0 and F7. */
export const DUMP_MESSAGE_MAX = 65_538

const messageSchema = z.strictObject({
  /** One exclusive message, "F07D...F7", two digits a byte (M1 v4.2.1, "System Exclusive"). */
  hex: z.string().check(z.maxLength(2 * DUMP_MESSAGE_MAX), z.regex(/^F0(?:[0-7][0-9A-F])*F7$/)),
  /** It had come whole so many ms after the one before had; 0 for the first, null where that is not known. */
  ms: z.nullable(z.int().check(z.gte(0), z.lte(600_000))),
})

/** One exclusive message, as hex with F0 and F7, and the ms before it. */
export type DumpMessage = Readonly<z.infer<typeof messageSchema>>

/** What a device sent of itself: exclusive messages with their spacing. */
export const dumpSchema = z.strictObject({
  id: idSchema<'dump'>(),
  order: orderSchema,
  /** Null where its device is not said, or is gone. */
  deviceId: z.nullable(idSchema<'device'>()),
  /** What the device was called then. */
  of: optionalNameSchema,
  name: nameSchema,
  note: textSchema(2000),
  messages: z.readonly(
    z.array(messageSchema).check(
      z.minLength(1),
      z.maxLength(DUMP_MESSAGES_MAX),
      z.refine(
        (messages) => messages.reduce((sum, { hex }) => sum + hex.length / 2, 0) <= DUMP_BYTES_MAX,
        `it holds more than ${DUMP_BYTES_MAX} bytes`,
      ),
    ),
  ),
  /** Heard from the device itself, from the simulated one, or from a file. */
  from: z.literal(['heard', 'simulated', 'syx', 'midiFile']),
  /** The revision of the rig it was taken at. */
  revision: z.int().check(z.gte(0)),
  /** ISO 8601, UTC. */
  at: z.iso.datetime(),
})

/** What a device sent of itself: exclusive messages with their spacing in ms. */
export type Dump = Readonly<z.infer<typeof dumpSchema>>
