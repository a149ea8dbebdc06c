import { defineEventHandler } from 'h3'
import type { BackupsReply } from '#shared/contract/backups'
import { requireServices, requireStore } from '../../http/context'

export default defineEventHandler((event): Promise<BackupsReply> => {
  requireStore(event)
  return requireServices(event).backups.tell()
})
