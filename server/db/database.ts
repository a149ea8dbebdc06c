import { mkdirSync } from 'node:fs'
import { dirname } from 'node:path'
import { createClient, type Client } from '@libsql/client'
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql'
import { applyMigrations } from './migrate'
import { createMutex } from './mutex'
import * as schema from './schema'

export type Db = LibSQLDatabase<typeof schema>

/** What a transaction gives its body: the same queries, on one connection. */
export type Transaction = Parameters<Parameters<Db['transaction']>[0]>[0]

export interface Database {
  readonly db: Db
  /** Runs one transaction at a time; await nothing but its own queries inside. */
  readonly write: <Value>(work: (tx: Transaction) => Promise<Value>) => Promise<Value>
  readonly close: () => void
}

/** How long a write waits for another process that holds the file, in ms. */
const BUSY_TIMEOUT = 5000

/**
 * Opens and migrates a database. `url` is file:..., or libsql:// or https:// with a token; a file's
 * folder is made when missing. `readMigration` gives a file of server/db/migrations by name.
 */
export async function openDatabase(
  url: string,
  authToken: string | undefined,
  readMigration: (name: string) => Promise<string>,
): Promise<Database> {
  if (url.startsWith('file:'))
    mkdirSync(dirname(url.slice('file:'.length).replace(/^\/\//, '')), { recursive: true })
  const client = createClient({ url, ...(authToken && { authToken }), timeout: BUSY_TIMEOUT })
  await prepare(client)
  await applyMigrations(client, readMigration)
  const db = drizzle(client, { schema })
  const inTurn = createMutex()
  return {
    db,
    write: (work) => inTurn(() => db.transaction(work)),
    close: () => client.close(),
  }
}

/** WAL stays with the file once set; a remote database looks after itself. */
async function prepare(client: Client): Promise<void> {
  if (client.protocol !== 'file') return
  await client.execute('PRAGMA journal_mode = WAL')
  await client.execute('PRAGMA foreign_keys = ON')
}
