import { defineEventHandler, sendNoContent } from 'h3'
import { requireServices } from '../http/context'

export default defineEventHandler(async (event) => {
  await requireServices(event).gate?.signOut(event)
  return sendNoContent(event)
})
