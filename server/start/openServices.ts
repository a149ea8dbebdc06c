import { basename, dirname, join, resolve } from 'node:path'
import { backupFolder } from '../backup/backupFolder'
import { createBackups } from '../backup/backups'
import { openDatabase } from '../db/database'
import { databasePath } from '../db/databaseFile'
import { settingOr } from '../db/repositories/settings'
import { seedDemo } from '../demo/seedDemo'
import type { Fonts } from '../paper/sheet'
import type { Services } from '../http/context'
import { createGate, newSalt } from '../http/gate'
import { completeLogs } from '../services/completeLogs'
import { createFloors } from '../services/floors'
import { createKeptRigs } from '../services/keptRigs'
import type { Settings } from '../base/settings'

/** Opens what the settings name. Throws what `storageCodeOf` can name when the database cannot be had. */
export async function openServices(
  settings: Settings,
  readMigration: (name: string) => Promise<string>,
  readFont: (weight: keyof Fonts) => Promise<Buffer>,
): Promise<Services> {
  const { databaseUrl, databaseToken, passphrase, port, isHttps, isDemo } = settings
  const database = await openDatabase(databaseUrl, databaseToken, readMigration)
  const store = { database, kept: createKeptRigs() }
  await completeLogs(database, new Date())
  if (isDemo) await seedDemo(store)
  const gate =
    passphrase === null
      ? null
      : await createGate({ passphrase, salt: await settingOr(database, 'salt', newSalt), port, isHttps })
  const path = databasePath(databaseUrl)
  const folder = path === null ? null : backupFolder(backupsBeside(path))
  return {
    settings,
    store,
    floors: createFloors(database),
    backups: createBackups(database, folder),
    fonts: readOnce(readFont),
    gate,
  }
}

/** A folder for each database: "rigs.db" has its backups in "rigs-backups". */
const backupsBeside = (path: string): string =>
  join(dirname(resolve(path)), `${basename(path).replace(/\.db$/, '')}-backups`)

/** Both faces, kept once they were read. */
function readOnce(readFont: (weight: keyof Fonts) => Promise<Buffer>): Services['fonts'] {
  let fonts: Promise<Fonts> | null = null
  const read = async (): Promise<Fonts> => ({
    regular: await readFont('regular'),
    bold: await readFont('bold'),
  })
  return () => (fonts ??= read())
}
