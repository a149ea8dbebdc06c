import * as z from 'zod/mini'
import { accept, refuse, type Result, cutText, keepable } from '#core/base'
import { rigProblems, ROWS_MAX } from '../integrity'
import { problemsOf, type Path, type Problem } from '../problem'
import { rowSchemas, TABLE_NAMES, type Rig, type TableName } from '../rig'

const RIG_FILE_FORMAT = 'wire-step-rig'
const RIG_FILE_VERSION = 13
/** Files of these are read: what they lack is what it was taken to be then. */
const READ_VERSIONS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, RIG_FILE_VERSION] as const

const listSchema = <Table extends TableName>(table: Table) =>
  z.array(rowSchemas[table]).check(z.maxLength(ROWS_MAX))

const tablesSchema = z.strictObject({
  ...(Object.fromEntries(TABLE_NAMES.map((table) => [table, listSchema(table)])) as {
    [Table in TableName]: z.ZodMiniArray<(typeof rowSchemas)[Table]>
  }),
  /** Not there in files of version 1. */
  sounds: z._default(listSchema('sounds'), []),
  /** Nor in those of version 2. */
  macros: z._default(listSchema('macros'), []),
  /** Nor in those of version 3. */
  runs: z._default(listSchema('runs'), []),
  /** Nor in those up to version 5. */
  pedals: z._default(listSchema('pedals'), []),
  rides: z._default(listSchema('rides'), []),
  /** Nor in those up to version 6. */
  songs: z._default(listSchema('songs'), []),
  /** Nor in those up to version 7. */
  parts: z._default(listSchema('parts'), []),
  shows: z._default(listSchema('shows'), []),
  /** Nor in those up to version 9. */
  practices: z._default(listSchema('practices'), []),
  /** Nor in those up to version 10. */
  nevers: z._default(listSchema('nevers'), []),
  /** Nor in those up to version 11. */
  keyIns: z._default(listSchema('keyIns'), []),
  /** Nor in those up to version 12. */
  dumps: z._default(listSchema('dumps'), []),
  notes: z._default(listSchema('notes'), []),
})

/** The open file a rig travels in: the same tables and rows as everywhere, each table a list. */
export const rigFileSchema = z.strictObject({
  format: z.literal(RIG_FILE_FORMAT),
  version: z.literal(READ_VERSIONS),
  tables: tablesSchema,
})

/** Why a file is no rig, with the paths of what is wrong. */
export type RigFileRefusal =
  | { readonly code: 'notJson'; readonly reason: string }
  | { readonly code: 'notARigFile' }
  | { readonly code: 'wrongVersion'; readonly found: string; readonly known: number }
  | { readonly code: 'invalid'; readonly problems: readonly Problem[] }

/** The rig as a file's text: rows sorted by id, so that two files of one rig are the same to the byte. Throws on a rig that is not sound. */
export function formatRigFile(rig: Rig): string {
  const tables = Object.fromEntries(
    TABLE_NAMES.map((table) => [table, Object.values(rig[table]).sort((a, b) => (a.id < b.id ? -1 : 1))]),
  )
  // Parsing puts the fields of every row in the schema's order.
  const file = rigFileSchema.parse({ format: RIG_FILE_FORMAT, version: RIG_FILE_VERSION, tables })
  const lists = TABLE_NAMES.map((table) => `    "${table}": ${listOf(file.tables[table])}`)
  return `{
  "format": "${file.format}",
  "version": ${file.version},
  "tables": {
${lists.join(',\n')}
  }
}
`
}

/** A row a line: readable, comparable line by line, and not much longer than its rows. */
const listOf = (rows: readonly object[]): string =>
  rows.length === 0 ? '[]' : `[\n${rows.map((row) => `      ${JSON.stringify(row)}`).join(',\n')}\n    ]`

/** Reads a file whole and checks everything; inverse of {@link formatRigFile}. Never half a rig. */
export function parseRigFile(text: string): Result<Rig, RigFileRefusal> {
  const json = parseJson(text)
  if (!json.ok) return json
  const head = z
    .object({ format: z.literal(RIG_FILE_FORMAT), version: z.optional(z.unknown()) })
    .safeParse(json.value)
  if (!head.success) return refuse({ code: 'notARigFile' })
  if (!(READ_VERSIONS as readonly unknown[]).includes(head.data.version))
    return refuse({
      code: 'wrongVersion',
      found: versionText(head.data.version),
      known: RIG_FILE_VERSION,
    })
  const file = rigFileSchema.safeParse(json.value)
  if (!file.success) return refuse({ code: 'invalid', problems: problemsOf(file.error, []) })
  return rigOf(file.data.tables)
}

/** A version as a reader would name it; a list or an object is not looked into, however deep it goes. */
function versionText(version: unknown): string {
  if (version === undefined || version === null) return 'none'
  return typeof version === 'object' ? typeof version : cutText(JSON.stringify(version), 20)
}

function parseJson(text: string): Result<unknown, RigFileRefusal> {
  try {
    return accept(JSON.parse(text))
  } catch (error) {
    if (error instanceof SyntaxError)
      return refuse({ code: 'notJson', reason: keepable(cutText(error.message, 200)) })
    throw error
  }
}

function rigOf(tables: z.infer<typeof tablesSchema>): Result<Rig, RigFileRefusal> {
  const problems: Problem[] = []
  const places = new Map<string, Path>()
  const rig = Object.fromEntries(
    TABLE_NAMES.map((table) => [
      table,
      Object.fromEntries(
        tables[table].map((row, n) => {
          const path = ['tables', table, n]
          if (places.has(`${table}.${row.id}`))
            problems.push({ path: [...path, 'id'], code: 'taken', by: row.id })
          places.set(`${table}.${row.id}`, path)
          return [row.id, row]
        }),
      ),
    ]),
  ) as unknown as Rig
  // The file counts rows; the rig names them. Point at the place in the file.
  for (const problem of rigProblems(rig)) {
    const [table, id, ...inner] = problem.path
    problems.push({ ...problem, path: [...(places.get(`${table}.${id}`) ?? ['tables', table!]), ...inner] })
  }
  return problems.length > 0 ? refuse({ code: 'invalid', problems }) : accept(rig)
}
