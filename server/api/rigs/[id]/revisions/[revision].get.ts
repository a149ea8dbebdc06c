import { defineEventHandler, getRouterParam } from 'h3'
import { apiError } from '../../../../http/apiError'
import { requireRig, requireStore, rigIdOf } from '../../../../http/context'
import { sendJson } from '../../../../http/sendJson'
import { rigThen } from '../../../../services/history'
import { findHead } from '../../../../services/rigs'

/** The rig as it was. */
export default defineEventHandler(async (event) => {
  const store = requireStore(event)
  requireRig(await findHead(store, rigIdOf(event)))
  const then = await rigThen(store, rigIdOf(event), Number(getRouterParam(event, 'revision')))
  if (!then) throw apiError('noSuchRevision')
  await sendJson(event, then)
})
