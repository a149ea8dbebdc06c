import { setResponseHeader, type H3Event } from 'h3'
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'
import { apiError } from './apiError'

/** Throws `tooManyRequests`, with Retry-After in seconds, when `who` has used up what it may do. */
export type Limit = (event: H3Event, who: string) => Promise<void>

export function createLimit(points: number, seconds: number): Limit {
  const limiter = new RateLimiterMemory({ points, duration: seconds })
  return async (event, who) => {
    try {
      await limiter.consume(who)
    } catch (refused) {
      if (!(refused instanceof RateLimiterRes)) throw refused
      setResponseHeader(event, 'Retry-After', Math.max(1, Math.ceil(refused.msBeforeNext / 1000)))
      throw apiError('tooManyRequests')
    }
  }
}

/** Whose request it is: the socket's address. What a header says of it, anyone can write. */
export const addressOf = (event: H3Event): string => event.node.req.socket.remoteAddress ?? ''
