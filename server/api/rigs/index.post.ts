import { defineEventHandler, setResponseStatus } from 'h3'
import { createRigSchema, EDIT_LIMIT } from '#shared/contract/rigs'
import { readJson } from '../../http/body'
import { requireStore } from '../../http/context'
import { createEmptyRig } from '../../services/rigs'

export default defineEventHandler(async (event) => {
  const { name } = await readJson(event, createRigSchema, EDIT_LIMIT)
  setResponseStatus(event, 201)
  return createEmptyRig(requireStore(event), name, new Date())
})
