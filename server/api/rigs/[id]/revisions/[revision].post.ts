import { defineEventHandler, getRouterParam, sendNoContent } from 'h3'
import { nameRevisionSchema } from '#shared/contract/history'
import { apiError } from '../../../../http/apiError'
import { readJson } from '../../../../http/body'
import { requireStore, rigIdOf } from '../../../../http/context'
import { nameRevision } from '../../../../services/history'

/** Says what the rig as it was then is called. */
export default defineEventHandler(async (event) => {
  const { name } = await readJson(event, nameRevisionSchema, 10_000)
  const revision = Number(getRouterParam(event, 'revision'))
  if (!(await nameRevision(requireStore(event), rigIdOf(event), revision, name)))
    throw apiError('noSuchRevision')
  return sendNoContent(event)
})
