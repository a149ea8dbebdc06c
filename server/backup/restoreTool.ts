import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { openDatabase } from '../db/database'
import { createKeptRigs } from '../services/keptRigs'
import { restoreBackup } from './restoreBackup'

/** Opens a backup for `npm run restore`: what it did, or what is wrong with it, a line each. `root` is the project's folder. */
export async function restoreFile(
  root: string,
  databaseUrl: string,
  archive: Uint8Array,
): Promise<{ readonly isDone: boolean; readonly lines: readonly string[] }> {
  const database = await openDatabase(databaseUrl, undefined, (name) =>
    readFile(join(root, 'server/db/migrations', name), 'utf8'),
  )
  try {
    const read = await restoreBackup({ database, kept: createKeptRigs() }, archive, new Date())
    if (!read.ok)
      return {
        isDone: false,
        lines: read.refusal.faults.map(({ path, reason }) => [path, reason].filter(Boolean).join(': ')),
      }
    const { restored, same, beside } = read.value
    return {
      isDone: true,
      lines: [
        ...restored.map(({ name }) => `Back again: ${name}`),
        ...beside.map(({ name }) => `Beside the one that is there: ${name}`),
        ...(same > 0 ? [`There already in the same state: ${same}`] : []),
      ],
    }
  } finally {
    await database.close()
  }
}
