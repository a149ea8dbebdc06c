import { defineEventHandler, getQuery, send, sendRedirect, setResponseHeaders } from 'h3'
import { requireServices } from '../http/context'
import { ownPath, signInPage } from '../http/signInPage'

/** The one page that answers without a sign-in; it needs no script and no other file. */
export default defineEventHandler((event) => {
  const { to, wrong } = getQuery(event)
  const next = ownPath(String(to ?? ''))
  if (!requireServices(event).gate) return sendRedirect(event, next, 303)
  setResponseHeaders(event, {
    'Cache-Control': 'no-store',
    'Content-Security-Policy':
      "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'",
  })
  return send(event, signInPage(next, wrong !== undefined), 'text/html; charset=utf-8')
})
