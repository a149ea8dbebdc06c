import { defineEventHandler, getRouterParam } from 'h3'
import type { RestoredReply } from '#shared/contract/backups'
import { restoreBackup } from '../../backup/restoreBackup'
import { apiError } from '../../http/apiError'
import { requireServices, requireStore } from '../../http/context'

/** Opens a backup of the folder. */
export default defineEventHandler(async (event): Promise<RestoredReply> => {
  const archive = await requireServices(event).backups.folder?.read(getRouterParam(event, 'file') ?? '')
  if (!archive) throw apiError('notFound')
  const restored = await restoreBackup(requireStore(event), archive, new Date())
  if (!restored.ok) throw apiError(restored.refusal.code, restored.refusal)
  return restored.value
})
