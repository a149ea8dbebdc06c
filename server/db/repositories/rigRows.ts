import { and, eq, getTableColumns, inArray, sql, type SQL } from 'drizzle-orm'
import type { SQLiteTable } from 'drizzle-orm/sqlite-core'
import { TABLE_NAMES, type Change, type Rig, type TableName } from '#core/rig'
import type { Db, Transaction } from '../database'
import { rigTables } from '../rigTables'

const selectTable = (db: Db | Transaction, rigId: string, name: TableName) => {
  const table = rigTables[name]
  return db.select().from(table).where(eq(table.rigId, rigId))
}

/** The queries that read a rig, in the order of the tables; {@link rigOf} makes the rig of their answers. */
export const rigQueries = (db: Db, rigId: string) => TABLE_NAMES.map((name) => selectTable(db, rigId, name))

/** The rig's tables as the core knows them: what a row holds for the database's own use is left out. */
export const rigOf = (
  answers: readonly (readonly { readonly rigId: string; readonly id: string }[])[],
): Rig =>
  Object.fromEntries(
    TABLE_NAMES.map((name, n) => [
      name,
      Object.fromEntries(answers[n]!.map(({ rigId: _, ...row }) => [row.id, row])),
    ]),
  ) as unknown as Rig

/** The queries go out together: a remote database answers them in one go. */
export const readRigRows = async (tx: Transaction, rigId: string): Promise<Rig> =>
  rigOf(await Promise.all(TABLE_NAMES.map((name) => selectTable(tx, rigId, name))))

/** Rows in one statement: SQLite takes at most 32,766 values at once. */
const CHUNK = 1000

function chunks<Item>(items: readonly Item[]): Item[][] {
  return Array.from({ length: Math.ceil(items.length / CHUNK) }, (_, n) =>
    items.slice(n * CHUNK, (n + 1) * CHUNK),
  )
}

/** On a row that is there already: every column as in the row that was to be put in. */
const asPutIn = (table: SQLiteTable): Record<string, SQL> =>
  Object.fromEntries(
    Object.entries(getTableColumns(table)).map(([key, { name }]) => [key, sql.raw(`excluded."${name}"`)]),
  )

/**
 * Writes the rows an edit changed. A table refers only to those before it: rows are put in from the first
 * table on and taken out from the last back, so that no reference dangles on the way.
 */
export async function writeChanges(
  tx: Transaction,
  rigId: string,
  changes: readonly Change[],
): Promise<void> {
  const writes: Promise<unknown>[] = []
  for (const name of TABLE_NAMES) {
    const table = rigTables[name]
    const rows = changes.flatMap((one) => (one.table === name && one.after ? { rigId, ...one.after } : []))
    for (const some of chunks(rows))
      writes.push(
        tx
          .insert(table as SQLiteTable)
          .values(some)
          .onConflictDoUpdate({ target: [table.rigId, table.id], set: asPutIn(table) })
          .run(),
      )
  }
  for (const name of TABLE_NAMES.toReversed()) {
    const table = rigTables[name]
    const gone = changes.flatMap((one) => (one.table === name && one.after === null ? one.id : []))
    for (const some of chunks(gone))
      writes.push(
        tx
          .delete(table)
          .where(and(eq(table.rigId, rigId), inArray(sql`${table.id}`, some)))
          .run(),
      )
  }
  // Sent together, done in order: a remote database takes them in one go.
  await Promise.all(writes)
}
