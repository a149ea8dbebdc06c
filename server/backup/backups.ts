import { accept, refuse, type Result } from '#core/base'
import {
  scheduleSchema,
  USUAL_SCHEDULE,
  type BackupSchedule,
  type BackupsReply,
  type MadeReply,
} from '#shared/contract/backups'
import { ERRORS, type Fault } from '#shared/errors'
import type { Database } from '../db/database'
import { createMutex } from '../db/mutex'
import { findSetting, putSetting } from '../db/repositories/settings'
import { storageCodeOf } from '../db/storageFault'
import { logFault } from '../base/logFault'
import { allHeads, backupContents, backupPieces, headsMark, readBackup } from './backupFile'
import type { BackupFolder } from './backupFolder'

/** Backups kept in a folder, made when asked for and by themselves. */
export interface Backups {
  readonly folder: BackupFolder | null
  readonly tell: () => Promise<BackupsReply>
  readonly setSchedule: (schedule: BackupSchedule) => Promise<void>
  /** Makes one and reads it back. Refused where there is no folder, or where it could not be made: older ones are still there. */
  readonly make: (now: Date) => Promise<Result<MadeReply, 'noFolder' | Fault>>
  /** Makes one when it is due; what fails is told and tried again later. */
  readonly look: (now: Date) => Promise<void>
  /** Looks every so often, until `end`. */
  readonly begin: () => void
  readonly end: () => void
}

const SETTING = 'backups'
/** Between two looks, in ms; after one that failed, longer. */
const [LOOK, AGAIN] = [60_000, 10 * 60_000]
const HOUR = 3_600_000

export function createBackups(database: Database, folder: BackupFolder | null): Backups {
  let fault: BackupsReply['fault'] = null
  let timer: NodeJS.Timeout | null = null
  const inTurn = createMutex()

  const schedule = async (): Promise<BackupSchedule> => {
    const stored = await findSetting(database, SETTING)
    const read = scheduleSchema.safeParse(stored === null ? null : parsed(stored))
    return read.success ? read.data : USUAL_SCHEDULE
  }

  /** The newest that can be opened, with what tells its state from another. */
  async function newest(): Promise<{
    readonly file: string
    readonly mark: string
    readonly madeAt: string
  } | null> {
    for (const { file, contents } of (await folder?.list()) ?? []) {
      const archive = contents && (await folder!.read(file))
      const read = archive && (await backupContents(archive))
      if (read?.ok) return { file, mark: read.value.mark, madeAt: read.value.madeAt }
    }
    return null
  }

  const make = (now: Date): Promise<Result<MadeReply, 'noFolder' | Fault>> =>
    inTurn(async () => {
      if (!folder) return refuse('noFolder')
      try {
        const last = await newest()
        if (last?.mark === headsMark(await allHeads(database.db))) {
          fault = null
          return accept({ file: last.file, isNew: false })
        }
        const file = await folder.write(backupPieces(database.db, now), now, async (archive) => {
          const read = await readBackup(archive)
          if (!read.ok) throw new UnreadableBackup(read.refusal.faults[0]?.reason ?? '')
        })
        fault = null
        // Only now: one that can be relied on is there.
        await folder.prune((await schedule()).keep)
        return accept({ file, isNew: true })
      } catch (error) {
        const reason = reasonOf(error)
        if (reason === null) throw error
        fault = { at: now.toISOString(), reason }
        return refuse({ path: folder.path, reason })
      }
    })

  async function look(now: Date): Promise<void> {
    const { everyHours } = await schedule()
    if (!folder || everyHours === 0) return
    if (fault && now.getTime() - Date.parse(fault.at) < AGAIN) return
    const last = await newest()
    if (last && now.getTime() - Date.parse(last.madeAt) < everyHours * HOUR) return
    await make(now)
  }

  return {
    folder,
    tell: async () => ({
      folder: folder?.path ?? null,
      schedule: await schedule(),
      kept: (await folder?.list()) ?? [],
      fault,
    }),
    setSchedule: async (next) => {
      await putSetting(database, SETTING, JSON.stringify(next))
      // What failed may do with other settings.
      fault = null
    },
    make,
    look,
    begin: () => {
      const safely = () => look(new Date()).catch((error: unknown) => logFault('backup', error))
      timer = setInterval(() => void safely(), LOOK)
      timer.unref()
      void safely()
    },
    end: () => {
      if (timer) clearInterval(timer)
    },
  }
}

/** It was written and could not be read back. */
class UnreadableBackup extends Error {
  constructor(readonly reason: string) {
    super('A backup cannot be read back')
    this.name = 'UnreadableBackup'
  }
}

/** Why a backup could not be made; null when that is no matter of the disk. */
function reasonOf(error: unknown): string | null {
  if (error instanceof UnreadableBackup)
    return `What was written could not be read back: ${error.reason} Older backups are still there.`
  const code = storageCodeOf(error)
  if (code === 'storageFull') return 'The disk is full. Older backups are still there. Make room on it.'
  if (code === 'storageReadOnly') return 'The folder cannot be written. Older backups are still there.'
  return code && ERRORS[code].message
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch (error) {
    if (error instanceof SyntaxError) return null
    throw error
  }
}
