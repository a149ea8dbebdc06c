import { Readable } from 'node:stream'
import { defineEventHandler, sendStream, setResponseHeaders } from 'h3'
import { requireStore } from '../http/context'
import { exportAllRigs } from '../services/allRigs'

export default defineEventHandler((event) => {
  const archive = exportAllRigs(requireStore(event))
  setResponseHeaders(event, {
    'Content-Type': 'application/zip',
    'Content-Disposition': 'attachment; filename="all-rigs.zip"',
    'Cache-Control': 'no-store',
  })
  return sendStream(event, Readable.from(archive))
})
