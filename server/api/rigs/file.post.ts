import { defineEventHandler, setResponseStatus } from 'h3'
import { RIG_FILE_LIMIT } from '#shared/contract/rigs'
import { rigFileFaults } from '#shared/errors'
import { apiError } from '../../http/apiError'
import { readText } from '../../http/body'
import { requireStore } from '../../http/context'
import { importRigFile } from '../../services/rigFiles'

export default defineEventHandler(async (event) => {
  const text = await readText(event, RIG_FILE_LIMIT)
  const created = await importRigFile(requireStore(event), text, new Date())
  if (!created.ok) throw apiError('invalidFile', { faults: rigFileFaults(created.refusal) })
  setResponseStatus(event, 201)
  return created.value
})
