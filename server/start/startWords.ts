import { ERRORS } from '#shared/errors'
import { databasePath } from '../db/databaseFile'
import { storageCodeOf } from '../db/storageFault'
import type { Settings } from '../base/settings'

const OF_LISTENING: Readonly<Record<string, (settings: Settings) => string>> = {
  EADDRINUSE: ({ port }) =>
    `Port ${port} is in use, perhaps by another Wire Step. End that, or choose another: PORT=${port + 1}.`,
  EACCES: ({ port }) => `Port ${port} may not be used by this user. Choose one above 1023.`,
  EADDRNOTAVAIL: ({ host }) => `HOST is ${host}, which is no address of this machine.`,
  ENOTFOUND: ({ host }) => `HOST is ${host}, a name that leads nowhere.`,
  EAI_AGAIN: ({ host }) => `HOST is ${host}, a name that leads nowhere now.`,
}

/** Why the server could not start, in one line. */
export function startWords(error: unknown, settings: Settings): string {
  const code = error instanceof Error ? String(Reflect.get(error, 'code') ?? error.name) : typeof error
  const isAboutListening =
    error instanceof Error && Reflect.get(error, 'syscall') !== undefined && code in OF_LISTENING
  if (isAboutListening && !isAboutFile(error)) return OF_LISTENING[code]!(settings)
  const storage = storageCodeOf(error)
  if (storage) return `${databaseName(settings)}: ${ERRORS[storage].message}`
  if (code === 'URL_INVALID' || code === 'URL_SCHEME_NOT_SUPPORTED' || code === 'ERR_INVALID_URL')
    return 'DATABASE_URL is no address of a database. Give file:PATH, libsql://NAME or https://NAME.'
  return `The server cannot start (${code}).`
}

const isAboutFile = (error: Error): boolean => Reflect.get(error, 'path') !== undefined

/** The file, or the remote database without what may be secret in its address. */
function databaseName({ databaseUrl }: Settings): string {
  const path = databasePath(databaseUrl)
  if (path !== null) return path
  return URL.canParse(databaseUrl) ? new URL(databaseUrl).host || 'The database' : 'The database'
}
