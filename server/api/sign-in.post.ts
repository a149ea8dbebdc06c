import { defineEventHandler, getRequestHeader, sendNoContent, sendRedirect } from 'h3'
import { apiError } from '../http/apiError'
import { readText } from '../http/body'
import { requireServices } from '../http/context'
import { addressOf, createLimit } from '../http/limits'
import { ownPath } from '../http/signInPage'

const MINUTE = 60
const perAddress = createLimit(5, MINUTE)
/** However many addresses someone guesses from. */
const inAll = createLimit(60, MINUTE)
const LONGEST = 2000

/** Takes the form of the sign-in page, or JSON of the same fields. Every try counts, so that nobody guesses fast. */
export default defineEventHandler(async (event) => {
  const { gate } = requireServices(event)
  const isForm =
    getRequestHeader(event, 'content-type')?.startsWith('application/x-www-form-urlencoded') ?? false
  await perAddress(event, addressOf(event))
  await inAll(event, 'all')
  const fields = fieldsOf(await readText(event, LONGEST), isForm)
  const isIn = gate === null || (await gate.signIn(event, fields.passphrase))
  if (isForm)
    return sendRedirect(
      event,
      isIn ? ownPath(fields.to) : `/sign-in?wrong=1&to=${encodeURIComponent(ownPath(fields.to))}`,
      303,
    )
  if (!isIn) throw apiError('wrongPassphrase')
  return sendNoContent(event)
})

function fieldsOf(text: string, isForm: boolean): { passphrase: string; to: string } {
  const given = isForm ? Object.fromEntries(new URLSearchParams(text)) : parse(text)
  return { passphrase: String(given.passphrase ?? ''), to: String(given.to ?? '') }
}

function parse(text: string): Record<string, unknown> {
  try {
    const value: unknown = JSON.parse(text)
    return typeof value === 'object' && value !== null ? { ...value } : {}
  } catch (error) {
    if (error instanceof SyntaxError) throw apiError('badRequest')
    throw error
  }
}
