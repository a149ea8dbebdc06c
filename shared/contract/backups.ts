import * as z from 'zod/mini'

/** The most bytes of a backup that is brought in. */
export const BACKUP_LIMIT = 256_000_000

/** Between two backups made by themselves, in hours; 0 makes none. */
export const BACKUP_HOURS = [0, 1, 6, 24, 168] as const

export const scheduleSchema = z.strictObject({
  everyHours: z.literal(BACKUP_HOURS),
  /** So many are kept; the oldest go first. */
  keep: z.int().check(z.gte(1), z.lte(100)),
})

export type BackupSchedule = Readonly<z.infer<typeof scheduleSchema>>

export const USUAL_SCHEDULE: BackupSchedule = { everyHours: 24, keep: 14 }

/** What is in a backup. */
export interface BackupContents {
  readonly madeAt: string
  readonly rigs: number
  /** Of all of them together. */
  readonly revisions: number
}

export interface KeptBackup {
  readonly file: string
  readonly bytes: number
  /** Null where the file is no backup, or was cut. */
  readonly contents: BackupContents | null
}

/** GET /api/backups */
export interface BackupsReply {
  /** Where they are kept; null where the database is not a file on the server's disk. */
  readonly folder: string | null
  readonly schedule: BackupSchedule
  /** The newest first. */
  readonly kept: readonly KeptBackup[]
  /** Why the last one was not made; null when it was. */
  readonly fault: { readonly at: string; readonly reason: string } | null
}

/** POST /api/backups: made and read back; or nothing has changed since the newest. */
export interface MadeReply {
  readonly file: string
  readonly isNew: boolean
}

/** POST /api/backups/restore */
export interface RestoredReply {
  /** Rigs that are there again. */
  readonly restored: readonly { readonly id: string; readonly name: string }[]
  /** Rigs that were there in the same state. */
  readonly same: number
  /** Rigs that were there in another state: those of the backup stand beside them. */
  readonly beside: readonly { readonly id: string; readonly name: string }[]
}
