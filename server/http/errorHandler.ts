import { send, setResponseHeader, setResponseStatus, type H3Error, type H3Event } from 'h3'
import { ERRORS } from '#shared/errors'
import { replyOf } from './apiError'
import { logFault } from '../base/logFault'

/** Sends every failed request's reply from the one table; only what the table calls internal is logged. */
export default async function errorHandler(error: H3Error, event: H3Event): Promise<void> {
  // Nobody is there to hear it: the client went away in the middle.
  if (event.node.res.destroyed || event.node.req.socket.destroyed) {
    // Ended, or h3 would log it as unhandled, words and all.
    event.node.res.end()
    return
  }
  const reply = replyOf(error)
  const { code } = reply.error
  if (code === 'internal') logFault(`${event.method} ${event.path.split('?')[0]}`, error.cause ?? error)
  if (event.handled) return
  setResponseStatus(event, ERRORS[code].status)
  setResponseHeader(event, 'Cache-Control', 'no-store')
  setResponseHeader(event, 'Content-Type', 'application/json; charset=utf-8')
  await send(event, JSON.stringify(reply))
}
