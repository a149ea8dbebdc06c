import { Readable } from 'node:stream'
import { defineEventHandler, sendStream, setResponseHeaders } from 'h3'
import { backupPieces } from '../backup/backupFile'
import { requireStore } from '../http/context'

/** Everything there is now, in one file. */
export default defineEventHandler((event) => {
  const pieces = backupPieces(requireStore(event).database.db, new Date())
  setResponseHeaders(event, {
    'Content-Type': 'application/zip',
    'Content-Disposition': 'attachment; filename="wire-step-backup.zip"',
    'Cache-Control': 'no-store',
  })
  return sendStream(event, Readable.from(pieces))
})
