import { storageCodeOf } from '../db/storageFault'
import { createError, type H3Error } from 'h3'
import { ERRORS, errorReply, type ErrorCode, type ErrorFacts, type ErrorReply } from '#shared/errors'

/** An error from the one table, to be thrown; the error handler sends its reply. */
export const apiError = (code: ErrorCode, facts: ErrorFacts = {}): H3Error<ErrorReply> =>
  createError({ statusCode: ERRORS[code].status, message: code, data: errorReply(code, facts) })

/** What an error that did not come from the table is told as. */
const CODE_BY_STATUS: Partial<Record<number, ErrorCode>> = {
  400: 'badRequest',
  403: 'crossSite',
  404: 'notFound',
  413: 'tooBig',
  429: 'tooManyRequests',
  503: 'unavailable',
}

/** The reply for any error at all. */
export function replyOf(error: Partial<H3Error>): ErrorReply {
  const data = error.data as Partial<ErrorReply> | undefined
  if (data?.error && Object.hasOwn(ERRORS, data.error.code)) return data as ErrorReply
  return errorReply(storageCodeOf(error) ?? CODE_BY_STATUS[error.statusCode ?? 500] ?? 'internal')
}
