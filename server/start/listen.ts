import { createServer, type RequestListener, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'

export interface Bounds {
  /** How long a request's head and the whole of it may take, in ms: nobody holds a socket by being slow. */
  readonly headersTimeout: number
  readonly requestTimeout: number
  /** How long nothing may come or go on a socket, in ms. */
  readonly idleTimeout: number
  readonly maxConnections: number
  readonly checkEvery: number
}

const BOUNDS: Bounds = {
  headersTimeout: 10_000,
  requestTimeout: 60_000,
  idleTimeout: 120_000,
  maxConnections: 1000,
  checkEvery: 2000,
}

/** Serves at an address. Rejects with Node's own error when that cannot be had. */
export function listen(
  listener: RequestListener,
  host: string,
  port: number,
  bounds: Partial<Bounds> = {},
): Promise<Server> {
  const { headersTimeout, requestTimeout, idleTimeout, maxConnections, checkEvery } = { ...BOUNDS, ...bounds }
  const server = createServer(
    { headersTimeout, requestTimeout, connectionsCheckingInterval: checkEvery, keepAliveTimeout: 20_000 },
    listener,
  )
  server.maxConnections = maxConnections
  server.setTimeout(idleTimeout)
  return new Promise((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, host, () => resolve(server))
  })
}

/** Where a server can be opened. */
export function addressOf(server: Server): string {
  const { address, family, port } = server.address() as AddressInfo
  return `http://${family === 'IPv6' ? `[${address}]` : address}:${port}`
}

/** How long what is being answered may still take when the server ends, in ms. */
const LAST_ANSWERS = 5000

/** Takes nothing new, lets what is being answered be answered, and ends. */
export function hangUp(server: Server): Promise<void> {
  return new Promise((resolve) => {
    const force = setTimeout(() => server.closeAllConnections(), LAST_ANSWERS)
    server.close(() => {
      clearTimeout(force)
      resolve()
    })
    server.closeIdleConnections()
  })
}
