import { createHash } from 'node:crypto'
import type { Client, InStatement } from '@libsql/client'
import { StorageFault } from './storageFault'

interface Journal {
  readonly entries: readonly { readonly idx: number; readonly when: number; readonly tag: string }[]
}

/**
 * Applies drizzle-kit's migrations that this database has not had, in drizzle's own bookkeeping table,
 * so that drizzle's migrator and this one agree. `read` gives a file of server/db/migrations by name.
 * Returns the tags applied. Throws `storageNewer` for a database that a newer version has written.
 */
export async function applyMigrations(
  client: Client,
  read: (name: string) => Promise<string>,
): Promise<string[]> {
  const { entries } = JSON.parse(await read('meta/_journal.json')) as Journal
  await client.execute(
    'CREATE TABLE IF NOT EXISTS "__drizzle_migrations" (id INTEGER PRIMARY KEY, hash text NOT NULL, created_at numeric)',
  )
  const newest = await client.execute('SELECT max(created_at) AS newest FROM "__drizzle_migrations"')
  const last = Number(newest.rows[0]?.newest ?? 0)
  if (last > Math.max(...entries.map(({ when }) => when))) throw new StorageFault('storageNewer')
  const applied: string[] = []
  for (const { tag, when } of entries.toSorted((a, b) => a.idx - b.idx)) {
    if (when <= last) continue
    const text = await read(`${tag}.sql`)
    const statements: InStatement[] = text
      .split('--> statement-breakpoint')
      .map((statement) => statement.trim())
      .filter((statement) => statement !== '')
    statements.push({
      sql: 'INSERT INTO "__drizzle_migrations" (hash, created_at) VALUES (?, ?)',
      args: [createHash('sha256').update(text).digest('hex'), when],
    })
    await client.migrate(statements)
    applied.push(tag)
  }
  return applied
}
