import { defineEventHandler, getQuery } from 'h3'
import { sinceSchema } from '#shared/contract/rigs'
import { parseWith } from '../../../http/body'
import { requireRig, requireStore, rigIdOf } from '../../../http/context'
import { sendJson } from '../../../http/sendJson'
import { editsSince } from '../../../services/edits'

export default defineEventHandler(async (event) => {
  const { since } = parseWith(sinceSchema, getQuery(event))
  await sendJson(event, requireRig(await editsSince(requireStore(event), rigIdOf(event), since)))
})
