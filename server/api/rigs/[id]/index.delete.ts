import { defineEventHandler, sendNoContent } from 'h3'
import { apiError } from '../../../http/apiError'
import { requireStore, rigIdOf } from '../../../http/context'
import { deleteRig } from '../../../services/rigs'

export default defineEventHandler(async (event) => {
  if (!(await deleteRig(requireStore(event), rigIdOf(event), new Date()))) throw apiError('noSuchRig')
  return sendNoContent(event)
})
