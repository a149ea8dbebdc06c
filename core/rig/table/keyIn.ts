import * as z from 'zod'
import { ROW_KINDS } from './keying'
import { idSchema, textSchema, type Id } from './scalars'

export type KeyInId = Id<'keyIn'>

const FIXED_ROWS = ['settings', 'lamp', 'name'] as const

/** Rows that always stand where they do. */
export type FixedRow = (typeof FIXED_ROWS)[number]

/** A row: what it is, then its values, each counted from 0, in the order of `core/keyin/rows.ts`. */
export type Row = readonly [kind: (typeof ROW_KINDS)[number] | FixedRow, ...values: number[]]

const rowSchema = z
  .tuple([z.literal([...ROW_KINDS, ...FIXED_ROWS])], z.int().min(0).max(100_000))
  .check(z.maxLength(64)) as unknown as z.ZodType<Row, Row>

const listSchema = z.strictObject({
  /** `p0` is the first position of a switch; `kept` the one list of what is no switch. */
  id: z
    .templateLiteral([z.literal('p'), z.int().min(0).max(15)])
    .or(z.literal(['release', 'longPress', 'doublePress', 'kept'])),
  lamp: rowSchema.nullable(),
  /** As many as the controller has room for at most; none is `end`. */
  rows: z.array(rowSchema).max(128).readonly(),
})

export type List = Readonly<z.infer<typeof listSchema>>

export type ListId = List['id']

const contentSchema = z.strictObject({
  /** Of a switch how many positions it has and its group, else none. */
  settings: rowSchema.nullable(),
  lists: z.array(listSchema).max(20).readonly(),
  /** The letters on the display; null where it shows none. */
  name: rowSchema.nullable(),
})

/** What a place of the controller holds. */
export type Content = Readonly<z.infer<typeof contentSchema>>

/** What is in one place of a controller, as far as anyone knows. */
export const keyInSchema = z.strictObject({
  id: idSchema<'keyIn'>(),
  controllerId: idSchema<'controller'>(),
  /** The place on the box: `s/<bank>/<layer>/<jack>/<number>` of a switch, `k/<list>/<number>` of what is kept beside them. */
  place: textSchema(60, 1),
  /** Null where nobody knows. */
  content: contentSchema.nullable(),
  /** Ticked on the sheet, heard from the controller itself, or said by the player. */
  how: z.literal(['tick', 'heard', 'said']),
  /** The revision of the rig it is of. */
  revision: z.int().min(0),
  /** ISO 8601, UTC. */
  at: z.iso.datetime(),
})

export type KeyIn = Readonly<z.infer<typeof keyInSchema>>
