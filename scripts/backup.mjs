// A copy of the database in one file, also while a server uses it: npm run backup [FILE]
import { chmodSync, existsSync, mkdirSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { createClient } from '@libsql/client'
import { chosenDatabase, contentsOf, fail, saying, stamp, urlOf } from './databaseFile.mjs'

const from = chosenDatabase()
if (!existsSync(from)) fail(`There is no database at ${from}. Set DATABASE_URL=file:PATH to back up another.`)
const to = resolve(process.argv[2] ?? join(dirname(from), 'backups', `wire-step-${stamp()}.db`))
if (existsSync(to)) fail(`${to} is there already. Give another name: nothing is written over.`)
mkdirSync(dirname(to), { recursive: true, mode: 0o700 })
const client = createClient({ url: urlOf(from), timeout: 10_000 })
try {
  // One read transaction: whole edits only, however busy the server is (https://sqlite.org/lang_vacuum.html).
  await client.execute({ sql: 'VACUUM INTO ?', args: [to] })
} catch (error) {
  fail(`The backup was not made (${error.code ?? error.name}). Is the disk full, or ${from} no database?`)
} finally {
  client.close()
}
chmodSync(to, 0o600)
const made = await contentsOf(to)
if (!made) fail(`${to} cannot be read again. Do not rely on it.`)
console.log(`Backed up ${from}\n       to ${to}\n          ${saying(made)}`)
