import { defineEventHandler, getQuery } from 'h3'
import { historyQuerySchema } from '#shared/contract/history'
import { parseWith } from '../../../http/body'
import { requireRig, requireStore, rigIdOf } from '../../../http/context'
import { sendJson } from '../../../http/sendJson'
import { historyOf } from '../../../services/history'

export default defineEventHandler(async (event) => {
  const { before } = parseWith(historyQuerySchema, getQuery(event))
  await sendJson(event, requireRig(await historyOf(requireStore(event), rigIdOf(event), before)))
})
