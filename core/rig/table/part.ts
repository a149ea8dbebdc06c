import * as z from 'zod/mini'
import { idSchema, optionalNameSchema, orderSchema, type Id } from './scalars'

/** Names a part for ever. */
export type PartId = Id<'part'>

/** How long a part lasts: bars go by the song's tempo and its beats in a bar. */
const lastsSchema = z.strictObject({
  amount: z.number().check(z.gte(0.25), z.lte(9999)),
  unit: z.literal(['bars', 'seconds']),
})

/** The rest before a part in which the foot may be away. */
const aheadSchema = z.strictObject({
  amount: z.number().check(z.gte(0), z.lte(9999)),
  unit: z.literal(['beats', 'seconds']),
})

/** A part of a song, played with one sound. */
export const partSchema = z.strictObject({
  id: idSchema<'part'>(),
  songId: idSchema<'song'>(),
  /** Among the parts of its song. */
  order: orderSchema,
  /** Empty: it is called by its sound. */
  name: optionalNameSchema,
  /** Null while nobody said. */
  soundId: z.nullable(idSchema<'sound'>()),
  /** Null where that is not known. */
  lasts: z.nullable(lastsSchema),
  /** Before its first note; null where that is not known. Of a song's first part the song's count-in counts then. */
  ahead: z.nullable(aheadSchema),
  /** What differs tonight, and since which day; null when nothing does. */
  tonight: z.nullable(
    z.strictObject({
      isOut: z.boolean(),
      /** Played with this sound instead; null when with its own. */
      soundId: z.nullable(idSchema<'sound'>()),
      since: z.iso.date(),
    }),
  ),
})

/** A part of a song, played with one sound. */
export type Part = Readonly<z.infer<typeof partSchema>>

/** The sound a part is played with, tonight's where there is one. */
export const partSound = ({ soundId, tonight }: Pick<Part, 'soundId' | 'tonight'>): Part['soundId'] =>
  tonight?.soundId ?? soundId
