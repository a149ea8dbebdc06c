import { defineEventHandler } from 'h3'
import type { MadeReply } from '#shared/contract/backups'
import { apiError } from '../../http/apiError'
import { requireServices, requireStore } from '../../http/context'

/** Makes one now, and reads it back. */
export default defineEventHandler(async (event): Promise<MadeReply> => {
  requireStore(event)
  const made = await requireServices(event).backups.make(new Date())
  if (made.ok) return made.value
  throw made.refusal === 'noFolder'
    ? apiError('noBackupFolder')
    : apiError('backupFailed', { faults: [made.refusal] })
})
