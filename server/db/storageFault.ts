import { own } from '#core/base'
import type { ErrorCode } from '#shared/errors'

/** What can be wrong with where rigs are kept; each is a code of the table of errors. */
export type StorageCode = Extract<ErrorCode, `storage${string}` | 'busy'>

/** A fault of the database itself, not of what it was asked. */
export class StorageFault extends Error {
  constructor(
    readonly code: StorageCode,
    options?: ErrorOptions,
  ) {
    super(code, options)
    this.name = 'StorageFault'
  }
}

/** By SQLite's result codes (https://sqlite.org/rescode.html), from memory, and the remote client's own. */
const CODES: Readonly<Record<string, StorageCode>> = {
  SQLITE_BUSY: 'busy',
  SQLITE_LOCKED: 'busy',
  // Closed under a reader by another reader that found the database busy.
  CLIENT_CLOSED: 'busy',
  SQLITE_FULL: 'storageFull',
  SQLITE_READONLY: 'storageReadOnly',
  SQLITE_PERM: 'storageReadOnly',
  SQLITE_AUTH: 'storageReadOnly',
  SQLITE_IOERR: 'storageFault',
  SQLITE_CANTOPEN: 'storageFault',
  SQLITE_CORRUPT: 'storageBroken',
  SQLITE_NOTADB: 'storageBroken',
  HRANA_CLOSED_ERROR: 'storageAway',
  HRANA_WEBSOCKET_ERROR: 'storageAway',
  HRANA_PROTO_ERROR: 'storageAway',
  SERVER_ERROR: 'storageAway',
  UNKNOWN: 'storageAway',
  ECONNREFUSED: 'storageAway',
  ECONNRESET: 'storageAway',
  ENOTFOUND: 'storageAway',
  ETIMEDOUT: 'storageAway',
  UND_ERR: 'storageAway',
  // A file that cannot be made or opened, as Node says it.
  ENOSPC: 'storageFull',
  EDQUOT: 'storageFull',
  EROFS: 'storageReadOnly',
  EACCES: 'storageReadOnly',
  EPERM: 'storageReadOnly',
  EIO: 'storageFault',
  ENOTDIR: 'storageFault',
  EISDIR: 'storageFault',
}

/** What an error says of the database, whatever is wrapped round it; null when it is about something else. */
export function storageCodeOf(error: unknown): StorageCode | null {
  for (let at = error, deep = 0; at instanceof Error && deep < 8; at = at.cause, deep++) {
    if (at instanceof StorageFault) return at.code
    if (isRefused(at)) return 'storageRefused'
    if (at.name === 'TimeoutError') return 'storageAway'
    const code: unknown = Reflect.get(at, 'code')
    const known = typeof code === 'string' ? codeOf(code) : undefined
    if (known) return known
  }
  return null
}

/** Extended codes begin with the code they extend. */
const codeOf = (code: string): StorageCode | undefined =>
  own(CODES, code) ?? own(CODES, code.split('_').slice(0, 2).join('_'))

/** The remote client gives an HTTP status in words only. */
const isRefused = (error: Error): boolean => /HTTP status 40[13]\b/.test(error.message)
