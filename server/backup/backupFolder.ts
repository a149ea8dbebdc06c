import { mkdir, open, readdir, readFile, rename, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'
import type { BackupContents, KeptBackup } from '#shared/contract/backups'
import { backupContents } from './backupFile'

const NAME = /^wire-step-\d{4}-\d\d-\d\dT\d\d-\d\d-\d\d-\d{3}Z\.zip$/

/** Only files of ours are looked at, named or taken away. */
const isBackupName = (name: string): boolean => NAME.test(name)

const nameAt = (now: Date): string => `wire-step-${now.toISOString().replaceAll(/[:.]/g, '-')}.zip`

/** Backups in a folder. */
export interface BackupFolder {
  readonly path: string
  /** The newest first. */
  readonly list: () => Promise<KeptBackup[]>
  readonly read: (file: string) => Promise<Uint8Array | null>
  /** Writes one whole, or leaves nothing of it; its name. `check` throws where what was written cannot be relied on. */
  readonly write: (
    pieces: AsyncIterable<Uint8Array>,
    now: Date,
    check: (archive: Uint8Array) => Promise<void>,
  ) => Promise<string>
  /** Takes the oldest away until so many are left. */
  readonly prune: (keep: number) => Promise<void>
}

export function backupFolder(path: string): BackupFolder {
  /** What was read of a file, as long as it stays as it is. */
  const known = new Map<string, { readonly mark: string; readonly contents: BackupContents | null }>()

  const names = async (): Promise<string[]> => {
    try {
      return (await readdir(path)).filter(isBackupName).sort().reverse()
    } catch (error) {
      if (error instanceof Error && Reflect.get(error, 'code') === 'ENOENT') return []
      throw error
    }
  }

  async function look(file: string): Promise<KeptBackup> {
    const { size, mtimeMs } = await stat(join(path, file))
    const mark = `${size} ${mtimeMs}`
    let one = known.get(file)
    if (one?.mark !== mark) {
      const contents = await backupContents(await readFile(join(path, file)))
      one = { mark, contents: contents.ok ? plain(contents.value) : null }
      known.set(file, one)
    }
    return { file, bytes: size, contents: one.contents }
  }

  return {
    path,
    list: async () => Promise.all((await names()).map(look)),
    read: async (file) => ((await names()).includes(file) ? readFile(join(path, file)) : null),
    write: async (pieces, now, check) => {
      await mkdir(path, { recursive: true, mode: 0o700 })
      const file = nameAt(now)
      const part = join(path, `${file}.part`)
      try {
        const handle = await open(part, 'w', 0o600)
        try {
          for await (const piece of pieces) await handle.write(piece)
          // On the disk before it is called a backup.
          await handle.sync()
        } finally {
          await handle.close()
        }
        await check(await readFile(part))
        await rename(part, join(path, file))
        return file
      } catch (error) {
        await rm(part, { force: true })
        throw error
      }
    },
    prune: async (keep) => {
      for (const file of (await names()).slice(keep)) {
        await rm(join(path, file), { force: true })
        known.delete(file)
      }
    },
  }
}

const plain = ({ madeAt, rigs, revisions }: BackupContents): BackupContents => ({ madeAt, rigs, revisions })
