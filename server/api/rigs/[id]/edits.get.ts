import { defineEventHandler, getQuery } from 'h3'
import { sinceSchema } from '#shared/contract/rigs'
import { parseWith } from '../../../http/body'
import { requireDatabase, requireRig, rigIdOf } from '../../../http/context'
import { editsSince } from '../../../services/edits'

export default defineEventHandler(async (event) => {
  const { since } = parseWith(sinceSchema, getQuery(event))
  return requireRig(await editsSince(requireDatabase(), rigIdOf(event), since))
})
