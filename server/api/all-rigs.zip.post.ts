import { defineEventHandler, setResponseStatus } from 'h3'
import { ALL_RIGS_LIMIT, type CreatedRigsReply } from '#shared/contract/rigs'
import { apiError } from '../http/apiError'
import { readBytes } from '../http/body'
import { requireStore } from '../http/context'
import { importAllRigs } from '../services/allRigs'

export default defineEventHandler(async (event): Promise<CreatedRigsReply> => {
  const archive = await readBytes(event, ALL_RIGS_LIMIT)
  const created = await importAllRigs(requireStore(event), archive, new Date())
  if (!created.ok) throw apiError('invalidFile', { faults: created.refusal })
  setResponseStatus(event, 201)
  return { rigs: created.value }
})
