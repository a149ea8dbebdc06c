import * as z from 'zod/mini'
import { idSchema, textSchema, type Id } from './scalars'

/** Names a note for ever. */
export type NoteId = Id<'note'>

/** What a line of the logbook can be about. */
const NOTE_TABLES = [
  'controllers',
  'devices',
  'presets',
  'sounds',
  'switches',
  'pedals',
  'songs',
  'shows',
] as const

const aboutSchema = z.strictObject({ table: z.literal([...NOTE_TABLES]), id: textSchema(40, 1) })

/** The row a note is about. */
export type NoteAbout = Readonly<z.infer<typeof aboutSchema>>

const factSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('note') }),
  /** It went wrong while playing. */
  z.strictObject({ kind: z.literal('stage') }),
  /** It was tried, and was right. */
  z.strictObject({ kind: z.literal('verified') }),
  /** Other software in a box; its version as the box says it. */
  z.strictObject({ kind: z.literal('firmware'), version: textSchema(40, 1) }),
  /** A dump was sent back: which, what it was called, and the revision it was taken at. */
  z.strictObject({
    kind: z.literal('sent'),
    dumpId: idSchema<'dump'>(),
    dump: textSchema(60),
    revision: z.int().check(z.gte(0)),
  }),
  /** A line of the test plan: which, what it said then, and what came of it. */
  z.strictObject({
    kind: z.literal('test'),
    line: textSchema(160, 1),
    said: textSchema(2000),
    verdict: z.literal(['pass', 'fail']),
  }),
])

/** What a note says as data, where it is more than words. */
export type NoteFact = Readonly<z.infer<typeof factSchema>>

/** A dated line of the logbook. What the tool itself knows is told by the log and has no row. */
export const noteSchema = z.strictObject({
  id: idSchema<'note'>(),
  /** When it happened, ISO 8601, UTC. */
  at: z.iso.datetime(),
  /** Null where it is about the rig, or about what is gone. */
  about: z.nullable(aboutSchema),
  /** What that was called then; empty for the rig. */
  name: textSchema(120),
  text: textSchema(4000),
  fact: factSchema,
  /** The revision of the rig it was written at. */
  revision: z.int().check(z.gte(0)),
})

/** A dated line of the logbook. */
export type Note = Readonly<z.infer<typeof noteSchema>>
