import { defineEventHandler, getRouterParam } from 'h3'
import { apiError } from '../../http/apiError'
import { requireServices } from '../../http/context'
import { sendFile } from '../../http/sendFile'

/** A backup of the folder. */
export default defineEventHandler(async (event) => {
  const file = getRouterParam(event, 'file') ?? ''
  const archive = await requireServices(event).backups.folder?.read(file)
  if (!archive) throw apiError('notFound')
  return sendFile(event, file, 'application/zip', Buffer.from(archive))
})
