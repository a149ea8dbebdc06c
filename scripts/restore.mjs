// Opens a backup (.zip): its rigs come back, nothing is written over. Or puts a copy of a database (.db) in the place of the one
// there is, and keeps what was there: npm run restore FILE
import { chmodSync, copyFileSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import { createClient } from '@libsql/client'
import { pathToFileURL } from 'node:url'
import { bundle } from './bundle.mjs'
import { chosenDatabase, contentsOf, fail, saying, stamp, urlOf } from './databaseFile.mjs'
import { root } from './prepare.mjs'

const [file] = process.argv.slice(2)
if (!file) fail('Say which backup: npm run restore FILE')
const from = resolve(file)
if (!existsSync(from)) fail(`There is no file ${from}.`)
const to = resolve(chosenDatabase())
if (from === to) fail('This is the database itself, not a backup of it.')

mkdirSync(dirname(to), { recursive: true, mode: 0o700 })
const archive = readFileSync(from)
if (archive.subarray(0, 2).toString('latin1') === 'PK') {
  const { restoreFile } = await import(pathToFileURL(await bundle('server/backup/restoreTool.ts')).href)
  const { isDone, lines } = await restoreFile(root, urlOf(to), archive)
  if (!isDone) fail(`${from} cannot be relied on. Nothing was changed.\n${lines.join('\n')}`)
  console.log([`Opened ${from}`, `    in ${to}`, ...lines].join('\n'))
  process.exit(0)
}
// Looked at as a copy: looking must not change the backup. What stands beside it in a log of its own comes along.
const fresh = `${to}.restoring`
for (const end of ['', '-wal']) if (existsSync(from + end)) copyFileSync(from + end, fresh + end)
const found = await contentsOf(fresh)
const tidyUp = () => ['', '-wal', '-shm'].forEach((end) => rmSync(fresh + end, { force: true }))
if (!found) {
  tidyUp()
  fail(`${from} is no database of Wire Step, or it is damaged. Nothing was changed.`)
}
await foldIn(fresh)
chmodSync(fresh, 0o600)

let kept = null
if (existsSync(to)) {
  if (!(await isFree(to))) {
    tidyUp()
    fail(`A server is using ${to}. End it first. Nothing was changed.`)
  }
  const before = await contentsOf(to)
  kept = `${to}.before-restore-${stamp()}`
  // All three together are the old state; a log left behind would be taken for the new file's.
  for (const end of ['', '-wal', '-shm']) if (existsSync(to + end)) renameSync(to + end, kept + end)
  console.log(`Replaced ${to}: ${before ? saying(before) : 'it could not be read'}\n    kept as ${kept}`)
} else for (const end of ['-wal', '-shm']) rmSync(to + end, { force: true })
renameSync(fresh, to)
tidyUp()
console.log(`Restored ${from}\n      to ${to}: ${saying(found)}`)

/** What stands in the log beside a database goes into the file. */
async function foldIn(path) {
  const client = createClient({ url: urlOf(path), timeout: 0 })
  await client.execute('PRAGMA journal_mode = DELETE')
  client.close()
}

/** Only who is alone with a database may change how it keeps its log. A damaged one is nobody's. */
async function isFree(path) {
  let client
  try {
    client = createClient({ url: urlOf(path), timeout: 0 })
    await client.execute('PRAGMA journal_mode = DELETE')
    return true
  } catch (error) {
    return error.code !== 'SQLITE_BUSY' && error.code !== 'SQLITE_LOCKED'
  } finally {
    client?.close()
  }
}
