import { send, setResponseHeader, type H3Event } from 'h3'

/** Answers with a file to be saved under `name`. */
export function sendFile(event: H3Event, name: string, type: string, data: string | Buffer): Promise<void> {
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${name}"`)
  setResponseHeader(event, 'Cache-Control', 'no-store')
  return send(event, data, type)
}
