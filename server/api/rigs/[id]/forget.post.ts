import { defineEventHandler, sendNoContent } from 'h3'
import { apiError } from '../../../http/apiError'
import { requireStore, rigIdOf } from '../../../http/context'
import { forgetRig } from '../../../services/rigs'

/** Takes out for good what was deleted before. */
export default defineEventHandler(async (event) => {
  if (!(await forgetRig(requireStore(event), rigIdOf(event)))) throw apiError('noSuchRig')
  return sendNoContent(event)
})
