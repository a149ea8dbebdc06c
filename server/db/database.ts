import { createClient, type Client } from '@libsql/client'
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql'
import { databasePath, makePrivate, watchFile } from './databaseFile'
import { applyMigrations } from './migrate'
import { createMutex } from './mutex'
import * as schema from './schema'
import { StorageFault, storageCodeOf } from './storageFault'

export type Db = LibSQLDatabase<typeof schema>

/** What a transaction gives its body: the same queries, on one connection. */
export type Transaction = Parameters<Parameters<Db['transaction']>[0]>[0]

export interface Database {
  /** For reading: never waits for a writer. Several reads of one moment go into one `batch`. */
  readonly db: Db
  /**
   * Runs one transaction at a time; await nothing but its own queries inside. `work` is run again when the
   * database was busy, so it must change nothing else.
   */
  readonly write: <Value>(work: (tx: Transaction) => Promise<Value>) => Promise<Value>
  /** Throws `storageGone` when the file is no longer the one that was opened. */
  readonly requireThere: () => void
  /** Puts everything into the one file, and closes it. */
  readonly close: () => Promise<void>
}

export interface DatabaseOptions {
  /** How long a write waits for another program that holds the database, in ms. */
  readonly patience?: number
  /** How long a remote database may take to answer, in ms. */
  readonly timeout?: number
}

/** Between two tries at a busy database, in ms. */
const PAUSE = 25

/**
 * Opens and migrates a database. `url` is file:..., or libsql://, https:// or http:// with a token; a file
 * and its folder are made when missing. `readMigration` gives a file of server/db/migrations by name.
 * Throws what {@link storageCodeOf} can name.
 */
export async function openDatabase(
  url: string,
  authToken: string | undefined,
  readMigration: (name: string) => Promise<string>,
  { patience = 4000, timeout = 15_000 }: DatabaseOptions = {},
): Promise<Database> {
  const path = databasePath(url)
  if (path !== null) makePrivate(path)
  const connect = (): Client =>
    createClient({
      url,
      ...(authToken && { authToken }),
      // SQLite would wait for a lock with the event loop held: it answers at once, and we wait.
      timeout: 0,
      fetch: (request: Request) => fetch(request, { signal: AbortSignal.timeout(timeout) }),
    })
  const [reader, writer] = [connect(), connect()]
  const closeBoth = () => [reader, writer].forEach((client) => client.close())
  const db = drizzle(patient(reader, patience), { schema })
  const writing = drizzle(writer, { schema })
  try {
    await prepare(patient(writer, patience))
    await applyMigrations(patient(writer, patience), readMigration)
  } catch (error) {
    closeBoth()
    throw error
  }
  const inTurn = createMutex()
  const requireThere = path === null ? () => {} : watchFile(path)
  return {
    db,
    write: async (work) => {
      requireThere()
      // Counted from here: who has waited for others long enough is told so, and does not wait again.
      const until = Date.now() + patience
      const value = await inTurn(() => whileBusy(writer, () => writing.transaction(work), until))
      requireThere()
      return value
    },
    requireThere,
    close: async () => {
      await inTurn(() => checkpoint(writer))
      closeBoth()
    },
  }
}

/** Tries again while another program holds the database; throws `busy` when that takes too long. */
async function whileBusy<Value>(client: Client, work: () => Promise<Value>, until: number): Promise<Value> {
  for (;;) {
    try {
      return await work()
    } catch (error) {
      if (storageCodeOf(error) !== 'busy') throw error
      // A statement that found the database busy stays half done on its connection, which could then never
      // commit again ("SQL statements in progress"): a new one is opened.
      await client.reconnect()
      if (Date.now() > until) throw new StorageFault('busy', { cause: error })
      await new Promise((resolve) => setTimeout(resolve, PAUSE))
    }
  }
}

const CALLS = ['execute', 'batch', 'migrate'] as const satisfies readonly (keyof Client)[]

/** The client, each of whose calls waits while another program holds the database. */
const patient = (client: Client, patience: number): Client =>
  new Proxy(client, {
    get: (target, name) => {
      const member: unknown = Reflect.get(target, name, target)
      if (typeof member !== 'function') return member
      if (!CALLS.some((call) => call === name)) return member.bind(target)
      return (...args: unknown[]) =>
        whileBusy(target, async () => Reflect.apply(member, target, args), Date.now() + patience)
    },
  })

/** WAL stays with the file once set; a remote database looks after itself. */
async function prepare(client: Client): Promise<void> {
  if (client.protocol !== 'file') return
  await client.execute('PRAGMA journal_mode = WAL')
  await client.execute('PRAGMA foreign_keys = ON')
}

/** What the log beside the file holds goes into the file; what another program still reads stays where it is. */
async function checkpoint(client: Client): Promise<void> {
  if (client.protocol !== 'file') return
  try {
    await client.execute('PRAGMA wal_checkpoint(TRUNCATE)')
  } catch (error) {
    if (storageCodeOf(error) === null) throw error
  }
}
