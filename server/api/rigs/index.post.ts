import { defineEventHandler, setResponseStatus } from 'h3'
import { createRigSchema, EDIT_LIMIT } from '#shared/contract/rigs'
import { tidewright } from '../../demo/tidewright'
import { apiError } from '../../http/apiError'
import { readJson } from '../../http/body'
import { requireStore } from '../../http/context'
import { copyRig, createEmptyRig, createRig } from '../../services/rigs'

export default defineEventHandler(async (event) => {
  const asked = await readJson(event, createRigSchema, EDIT_LIMIT)
  const store = requireStore(event)
  const now = new Date()
  const created =
    asked.name !== undefined
      ? await createEmptyRig(store, asked.name, now)
      : asked.copyOf !== undefined
        ? await copyRig(store, asked.copyOf, now)
        : await createRig(store, tidewright(), now)
  if (!created) throw apiError('noSuchRig')
  setResponseStatus(event, 201)
  return created
})
