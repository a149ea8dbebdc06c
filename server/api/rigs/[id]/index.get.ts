import { defineEventHandler, getRequestHeader, send } from 'h3'
import { requireRig, requireStore, rigIdOf } from '../../../http/context'
import { isKnown } from '../../../http/sendJson'
import { answerVersion, findHead, findRig } from '../../../services/rigs'

export default defineEventHandler(async (event) => {
  const store = requireStore(event)
  const head = requireRig(await findHead(store, rigIdOf(event)))
  if (getRequestHeader(event, 'if-none-match') && (await isKnown(event, answerVersion(head)))) return
  const found = requireRig(await findRig(store, head.id))
  if (await isKnown(event, answerVersion({ ...head, ...found }))) return
  await send(event, JSON.stringify(found), 'application/json; charset=utf-8')
})
