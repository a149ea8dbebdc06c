import { defineEventHandler } from 'h3'
import { BACKUP_LIMIT, type RestoredReply } from '#shared/contract/backups'
import { restoreBackup } from '../../backup/restoreBackup'
import { apiError } from '../../http/apiError'
import { readBytes } from '../../http/body'
import { requireStore } from '../../http/context'

/** Opens a backup that is sent. */
export default defineEventHandler(async (event): Promise<RestoredReply> => {
  const archive = await readBytes(event, BACKUP_LIMIT)
  const restored = await restoreBackup(requireStore(event), archive, new Date())
  if (!restored.ok) throw apiError(restored.refusal.code, restored.refusal)
  return restored.value
})
