import * as z from 'zod/mini'
import { textSchema } from './scalars'

/** Longer messages than the longest a parser keeps are no place for anything. */
const placeSchema = z.int().check(z.gte(1), z.lte(65_537))

/**
 * How the last byte before F7 is made of those before it, from byte `from` on (F0 is byte 0): `sum`, so that all of them with it
 * come to a multiple of 128; `plain`, their sum itself; `xor`, all of them exclusive-or'ed. Always its lowest seven bits (common practice).
 */
const checksumSchema = z.strictObject({ kind: z.literal(['sum', 'plain', 'xor']), from: placeSchema })

/** Which bytes of a message a checksum is of, and how it is reckoned. */
export type Checksum = Readonly<z.infer<typeof checksumSchema>>

/** What is known of a device's dumps, from its manual or from several of them. */
export const dumpingSchema = z.strictObject({
  checksum: z.nullable(checksumSchema),
  /** Bytes of every message, F0 and F7 counted; null where they differ, or nobody knows. */
  bytes: z.nullable(z.int().check(z.gte(2), z.lte(65_538))),
  /** Messages of a whole dump; null where nobody knows. */
  count: z.nullable(z.int().check(z.gte(1), z.lte(10_000))),
  /** The byte that says which preset a message is of; null where nobody knows. */
  place: z.nullable(placeSchema),
  /** What single bytes stand for. */
  values: z.readonly(
    z.array(z.strictObject({ at: placeSchema, name: textSchema(60, 1) })).check(z.maxLength(1000)),
  ),
  /** What asks for a dump, "F0 7D 01 F7"; empty where it is called for on the device itself. */
  ask: textSchema(400),
  /** It needs so long between the end of one message and the next, in ms. */
  pauseMs: z.int().check(z.gte(0), z.lte(10_000)),
})

/** What is known of how a device sends itself and takes it back. */
export type Dumping = Readonly<z.infer<typeof dumpingSchema>>

/** A device nobody has learned anything of. */
export const UNKNOWN_DUMPING: Dumping = {
  checksum: null,
  bytes: null,
  count: null,
  place: null,
  values: [],
  ask: '',
  pauseMs: 20,
}
