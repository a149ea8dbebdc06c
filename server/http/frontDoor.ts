import compression from 'compression'
import {
  eventHandler,
  fromNodeMiddleware,
  getRequestHeader,
  sendRedirect,
  setResponseHeaders,
  type App,
  type EventHandler,
  type H3Event,
} from 'h3'
import { apiError } from './apiError'
import { requireServices, type Services } from './context'
import { hostName, isOurs } from '../base/hosts'
import { addressOf, createLimit } from './limits'

/** Answers only go to our own pages, and into no frame. */
const HEADERS = {
  'Cross-Origin-Resource-Policy': 'same-origin',
  'X-Content-Type-Options': 'nosniff',
  'X-Frame-Options': 'DENY',
  // Not "no-referrer": a form of ours would then be sent with the origin "null".
  'Referrer-Policy': 'same-origin',
}

/**
 * Puts in front of everything an app serves, its files included: who may ask at all. In this order: the name
 * it was asked by, where the asking page comes from, how often, and whether its reader is signed in.
 */
export function openFrontDoor(app: App, services: () => Promise<Services>): void {
  let limit: ReturnType<typeof createLimit> | null = null
  const door: EventHandler = eventHandler(async (event) => {
    setResponseHeaders(event, HEADERS)
    event.context.services = await services()
    const { settings } = event.context.services
    requireOurName(event)
    requireOurPage(event)
    limit ??= createLimit(settings.requestsPerMinute, 60)
    await limit(event, addressOf(event))
    return requireSignedIn(event)
  })
  const compress = fromNodeMiddleware(compression() as Parameters<typeof fromNodeMiddleware>[0])
  const inside = app.stack.splice(0)
  app.use(compress)
  app.use(door)
  app.stack.push(...inside)
}

function requireOurName(event: H3Event): void {
  const { host, names } = requireServices(event).settings
  const name = hostName(getRequestHeader(event, 'host'))
  if (name === null || !isOurs(name, host, names)) throw apiError('wrongHost')
}

const isRead = ({ method }: H3Event): boolean => ['GET', 'HEAD', 'OPTIONS'].includes(method)
const isForApi = ({ path }: H3Event): boolean => path.startsWith('/api/')

/** Browsers say where a request comes from; command-line tools say nothing. Anyone may follow a link to a page. */
function requireOurPage(event: H3Event): void {
  const site = getRequestHeader(event, 'sec-fetch-site')
  const isElsewhere = site !== undefined && site !== 'same-origin' && site !== 'none'
  const isLink = isRead(event) && getRequestHeader(event, 'sec-fetch-mode') === 'navigate'
  if (isElsewhere && !isLink && (!isRead(event) || isForApi(event))) throw apiError('crossSite')
  if (isRead(event)) return
  const origin = getRequestHeader(event, 'origin')
  if (origin !== undefined && hostOf(origin) !== getRequestHeader(event, 'host')) throw apiError('crossSite')
  // Of a body without a length nobody knows when it ends.
  if (getRequestHeader(event, 'transfer-encoding')) throw apiError('lengthRequired')
}

const hostOf = (origin: string): string | null => (URL.canParse(origin) ? new URL(origin).host : null)

/** What answers who is not signed in. */
const OPEN = new Set(['GET /sign-in', 'HEAD /sign-in', 'POST /api/sign-in'])

/** Pages lead to the sign-in; anything else is refused. Undefined: go on. */
async function requireSignedIn(event: H3Event): Promise<void> {
  const { gate } = requireServices(event)
  const [path = ''] = event.path.split('?')
  if (!gate || OPEN.has(`${event.method} ${path}`) || (await gate.isSignedIn(event))) return
  const isPage =
    event.method === 'GET' && !isForApi(event) && getRequestHeader(event, 'accept')?.includes('text/html')
  if (!isPage) throw apiError('notSignedIn')
  await sendRedirect(event, `/sign-in?to=${encodeURIComponent(event.path)}`, 303)
}
