import { chmodSync, closeSync, existsSync, mkdirSync, openSync, statSync } from 'node:fs'
import { dirname } from 'node:path'
import { StorageFault } from './storageFault'

/** The path in a file: address; null for a remote database, or one in memory. */
export function databasePath(url: string): string | null {
  if (!url.startsWith('file:')) return null
  const path = decodeURIComponent(
    url
      .slice('file:'.length)
      .replace(/^\/\/(?:localhost)?/, '')
      .replace(/\?.*$/, ''),
  )
  return path === ':memory:' || path === '' ? null : path
}

const FILES = ['', '-wal', '-shm']

/** Makes a database file that only its owner can read, and its folder; SQLite gives its other files the same mode. */
export function makePrivate(path: string): void {
  mkdirSync(dirname(path), { recursive: true, mode: 0o700 })
  closeSync(openSync(path, 'a', 0o600))
  for (const file of FILES.map((end) => path + end)) if (existsSync(file)) chmodSync(file, 0o600)
}

/** Which file a path leads to now; null when to none. */
function identityOf(path: string): string | null {
  const found = statSync(path, { throwIfNoEntry: false })
  return found ? `${found.dev}/${found.ino}` : null
}

/**
 * A guard for the file as it is now: throws `storageGone` once it has been deleted or another put in its
 * place. SQLite would go on writing into a file that nobody can open again.
 */
export function watchFile(path: string): () => void {
  const opened = identityOf(path)
  return () => {
    if (identityOf(path) !== opened) throw new StorageFault('storageGone')
  }
}
