import { defineEventHandler, sendNoContent } from 'h3'
import { apiError } from '../../../http/apiError'
import { requireStore, rigIdOf } from '../../../http/context'
import { bringBackRig } from '../../../services/rigs'

export default defineEventHandler(async (event) => {
  if (!(await bringBackRig(requireStore(event), rigIdOf(event)))) throw apiError('noSuchRig')
  return sendNoContent(event)
})
