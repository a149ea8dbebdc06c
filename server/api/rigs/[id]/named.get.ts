import { defineEventHandler } from 'h3'
import { requireRig, requireStore, rigIdOf } from '../../../http/context'
import { sendJson } from '../../../http/sendJson'
import { namedRevisions } from '../../../services/history'

export default defineEventHandler(async (event) => {
  await sendJson(event, requireRig(await namedRevisions(requireStore(event), rigIdOf(event))))
})
