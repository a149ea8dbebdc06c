import { defineEventHandler, sendNoContent } from 'h3'
import { scheduleSchema } from '#shared/contract/backups'
import { readJson } from '../../http/body'
import { requireServices, requireStore } from '../../http/context'

export default defineEventHandler(async (event) => {
  requireStore(event)
  await requireServices(event).backups.setSchedule(await readJson(event, scheduleSchema, 10_000))
  return sendNoContent(event)
})
