import * as z from 'zod/mini'
import { ROW_KINDS } from './keying'
import { idSchema, textSchema, type Id } from './scalars'

/** Names what was keyed in, for ever. */
export type KeyInId = Id<'keyIn'>

const FIXED_ROWS = ['settings', 'lamp', 'name'] as const

/** Rows that always stand where they do. */
export type FixedRow = (typeof FIXED_ROWS)[number]

/** A row: what it is, then its values, each counted from 0, in the order of `core/keyin/rows.ts`. */
export type Row = readonly [kind: (typeof ROW_KINDS)[number] | FixedRow, ...values: number[]]

const rowSchema = z
  .tuple([z.literal([...ROW_KINDS, ...FIXED_ROWS])], z.int().check(z.gte(0), z.lte(100_000)))
  .check(z.maxLength(64)) as unknown as z.ZodMiniType<Row, Row>

const listSchema = z.strictObject({
  /** `p0` is the first position of a switch; `kept` the one list of what is no switch. */
  id: z.union([
    z.templateLiteral([z.literal('p'), z.int().check(z.gte(0), z.lte(15))]),
    z.literal(['release', 'longPress', 'doublePress', 'kept']),
  ]),
  lamp: z.nullable(rowSchema),
  /** As many as the controller has room for at most; none is `end`. */
  rows: z.readonly(z.array(rowSchema).check(z.maxLength(128))),
})

/** What is entered for one list of actions. */
export type List = Readonly<z.infer<typeof listSchema>>

/** Names a list within its place: a gesture and its position. */
export type ListId = List['id']

const contentSchema = z.strictObject({
  /** Of a switch how many positions it has and its group, else none. */
  settings: z.nullable(rowSchema),
  lists: z.readonly(z.array(listSchema).check(z.maxLength(20))),
  /** The letters on the display; null where it shows none. */
  name: z.nullable(rowSchema),
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
  content: z.nullable(contentSchema),
  /** Ticked on the sheet, heard from the controller itself, or said by the player. */
  how: z.literal(['tick', 'heard', 'said']),
  /** The revision of the rig it is of. */
  revision: z.int().check(z.gte(0)),
  /** ISO 8601, UTC. */
  at: z.iso.datetime(),
})

/** What is in one place of a controller, as far as anyone knows. */
export type KeyIn = Readonly<z.infer<typeof keyInSchema>>
