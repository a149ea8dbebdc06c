import { send, setResponseHeader, setResponseStatus, type H3Error, type H3Event } from 'h3'
import { ERRORS } from '#shared/errors'
import { replyOf } from './apiError'

/** Sends every failed request's reply from the one table; only what the table calls internal is logged. */
export default async function errorHandler(error: H3Error, event: H3Event): Promise<void> {
  const reply = replyOf(error)
  const { code } = reply.error
  if (code === 'internal') console.error(`${event.method} ${event.path} failed:`, error)
  if (event.handled) return
  setResponseStatus(event, ERRORS[code].status)
  setResponseHeader(event, 'Cache-Control', 'no-store')
  setResponseHeader(event, 'Content-Type', 'application/json; charset=utf-8')
  await send(event, JSON.stringify(reply))
}
