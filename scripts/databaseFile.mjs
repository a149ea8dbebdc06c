// Which database file the scripts mean, and what is in one.
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { createClient } from '@libsql/client'
import { root } from './prepare.mjs'

/** Ends the script with one line. */
export function fail(line) {
  console.error(line)
  process.exit(1)
}

/** DATABASE_URL's file, or the one `npm start` keeps, or the demo's when that is the only one. */
export function chosenDatabase() {
  const url = process.env.DATABASE_URL
  if (url && !url.startsWith('file:'))
    fail(
      'DATABASE_URL is a remote database. Back it up where it is kept, or take "All rigs" out on the Rigs page.',
    )
  if (url) return decodeURIComponent(url.slice('file:'.length).replace(/^\/\//, ''))
  const [own, demo] = ['wire-step.db', 'demo.db'].map((name) => join(root, '.data', name))
  return !existsSync(own) && existsSync(demo) ? demo : own
}

export const urlOf = (path) => `file:${path.split('/').map(encodeURIComponent).join('/')}`

/** What a database of Wire Step holds; null when the file is none, or is damaged. */
export async function contentsOf(path) {
  let client
  try {
    client = createClient({ url: urlOf(path), timeout: 0 })
    const { rows: check } = await client.execute('PRAGMA quick_check(1)')
    if (check[0]?.quick_check !== 'ok') return null
    const { rows } = await client.execute(
      'SELECT (SELECT count(*) FROM rigs) AS rigs, (SELECT count(*) FROM edits) AS edits, (SELECT max(changedAt) FROM rigs) AS changedAt, (SELECT count(*) FROM "__drizzle_migrations") AS migrations',
    )
    return rows[0]
  } catch {
    // Whatever is wrong with it, it cannot be opened as one.
    return null
  } finally {
    client?.close()
  }
}

export const saying = ({ rigs, edits, changedAt }) =>
  `${rigs} ${Number(rigs) === 1 ? 'rig' : 'rigs'}, ${edits} ${Number(edits) === 1 ? 'edit' : 'edits'}${changedAt ? `, last changed ${changedAt}` : ''}`

/** A moment as part of a file name. */
export const stamp = () => new Date().toISOString().replaceAll(/[:.]/g, '-')
