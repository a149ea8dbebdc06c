import { defineEventHandler, getQuery } from 'h3'
import { sinceSchema } from '#shared/contract/rigs'
import { parseWith } from '../../../http/body'
import { requireRig, requireStore, rigIdOf } from '../../../http/context'
import { sendJson } from '../../../http/sendJson'
import { factsSince } from '../../../services/history'

export default defineEventHandler(async (event) => {
  const { since } = parseWith(sinceSchema, getQuery(event))
  await sendJson(event, requireRig(await factsSince(requireStore(event), rigIdOf(event), since)))
})
