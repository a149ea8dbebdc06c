import { defineEventHandler, getRequestHeader, type H3Event } from 'h3'
import { apiError } from '../http/apiError'

/** Writes from other sites, and bodies of unknown length, are refused before a handler sees them. */
export default defineEventHandler((event) => {
  if (['GET', 'HEAD', 'OPTIONS'].includes(event.method)) return
  if (isFromElsewhere(event)) throw apiError('crossSite')
  if (getRequestHeader(event, 'transfer-encoding')) throw apiError('lengthRequired')
})

/** Browsers send Sec-Fetch-Site and Origin with every write; command-line tools send neither. */
function isFromElsewhere(event: H3Event): boolean {
  const site = getRequestHeader(event, 'sec-fetch-site')
  if (site && site !== 'same-origin' && site !== 'none') return true
  const origin = getRequestHeader(event, 'origin')
  return origin !== undefined && hostOf(origin) !== getRequestHeader(event, 'host')
}

const hostOf = (origin: string): string | null => (URL.canParse(origin) ? new URL(origin).host : null)
