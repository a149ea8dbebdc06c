import { and, eq, sql } from 'drizzle-orm'
import type { SQLiteTable } from 'drizzle-orm/sqlite-core'
import { TABLE_NAMES, type Change, type Rig, type TableName } from '#core'
import type { Db, Transaction } from '../database'
import { rigTables } from '../rigTables'

/** The rig's tables as the core knows them: what a row holds for the database's own use is left out. */
export async function readRigRows(db: Db | Transaction, rigId: string): Promise<Rig> {
  const tables: Partial<Record<TableName, unknown>> = {}
  for (const name of TABLE_NAMES) {
    const table = rigTables[name]
    const rows = await db.select().from(table).where(eq(table.rigId, rigId))
    tables[name] = Object.fromEntries(rows.map(({ rigId: _, ...row }) => [row.id, row]))
  }
  return tables as Rig
}

/** Rows in one statement: SQLite takes at most 32,766 values at once. */
const CHUNK = 1000

export async function insertRigRows(tx: Transaction, rigId: string, rig: Rig): Promise<void> {
  for (const name of TABLE_NAMES) {
    const rows = Object.values(rig[name]).map((row) => ({ rigId, ...row }))
    for (let n = 0; n < rows.length; n += CHUNK)
      await tx.insert(rigTables[name] as SQLiteTable).values(rows.slice(n, n + CHUNK))
  }
}

/** Writes the rows an edit changed. References are checked when the transaction ends, not row by row. */
export async function writeChanges(
  tx: Transaction,
  rigId: string,
  changes: readonly Change[],
): Promise<void> {
  await tx.run(sql`PRAGMA defer_foreign_keys = ON`)
  for (const { table: name, id, before, after } of changes) {
    const table = rigTables[name]
    const isRow = and(eq(table.rigId, rigId), sql`${table.id} = ${id}`)
    if (after === null) await tx.delete(table).where(isRow)
    else if (before === null) await tx.insert(table as SQLiteTable).values({ rigId, ...after })
    else
      await tx
        .update(table as SQLiteTable)
        .set({ ...after })
        .where(isRow)
  }
}
