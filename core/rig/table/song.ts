import * as z from 'zod/mini'
import { idSchema, nameSchema, optionalNameSchema, orderSchema, textSchema, type Id } from './scalars'

/** Names a song for ever. */
export type SongId = Id<'song'>

/** The tempi a rig may name, in beats a minute. */
export const BPM_LEAST = 20
/** The fastest tempo, in beats a minute. */
export const BPM_MOST = 400

export const bpmSchema = z.number().check(z.gte(BPM_LEAST), z.lte(BPM_MOST))

/** A song of the set, with the tempo it is stored at. */
export const songSchema = z.strictObject({
  id: idSchema<'song'>(),
  order: orderSchema,
  name: nameSchema,
  /** Beats a minute; null when it has none. */
  tempo: z.nullable(bpmSchema),
  /** In its place for tonight only, and since which day; null when the stored one holds. */
  tonight: z.nullable(z.strictObject({ bpm: bpmSchema, since: z.iso.date() })),
  /** Beats between the step that comes to it and its first note; null when that is not known. */
  countIn: z.nullable(z.int().check(z.gte(0), z.lte(256))),
  notes: textSchema(400),
  /** As players write it, "E minor"; empty when nobody said. */
  key: z._default(optionalNameSchema, ''),
  beatsPerBar: z._default(z.int().check(z.gte(1), z.lte(32)), 4),
})

/** A song with its stored tempo in beats a minute. */
export type Song = Readonly<z.infer<typeof songSchema>>

/** What a song has of fields that came later, as long as nothing is known. */
export const USUAL_SONG = { key: '', beatsPerBar: 4 } satisfies Partial<Song>

/** The tempo a song has now: tonight's where there is one. */
export const songTempo = ({ tempo, tonight }: Pick<Song, 'tempo' | 'tonight'>): number | null =>
  tonight?.bpm ?? tempo
