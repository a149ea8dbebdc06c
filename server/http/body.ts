import { getRequestHeader, readRawBody, type H3Event } from 'h3'
import type * as z from 'zod/mini'
import { apiError } from './apiError'
import { decodeText, NOT_TEXT } from '../base/decodeText'

/** The body. Throws `tooBig` above `limit` bytes, by its declared length before anything is read. */
export async function readBytes(event: H3Event, limit: number): Promise<Uint8Array> {
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > limit) throw apiError('tooBig', { limit })
  return (await readRawBody(event, false)) ?? new Uint8Array()
}

/** The body as text; see {@link readBytes}. Throws `badRequest` when it is not UTF-8. */
export async function readText(event: H3Event, limit: number): Promise<string> {
  const text = decodeText(await readBytes(event, limit))
  if (text === null) throw apiError('badRequest', { faults: [{ path: '', reason: NOT_TEXT }] })
  return text
}

/** The body as JSON of the given shape. Throws `tooBig` or `badRequest`, the latter with path and reason. */
export async function readJson<Schema extends z.ZodMiniType>(
  event: H3Event,
  schema: Schema,
  limit: number,
): Promise<z.output<Schema>> {
  const text = await readText(event, limit)
  return parseWith(schema, parseJson(text))
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch (error) {
    if (error instanceof SyntaxError)
      throw apiError('badRequest', { faults: [{ path: '', reason: `It is not JSON: ${error.message}.` }] })
    throw error
  }
}

/** Throws `badRequest` with path and reason when `value` is not of the shape. */
export function parseWith<Schema extends z.ZodMiniType>(schema: Schema, value: unknown): z.output<Schema> {
  const parsed = schema.safeParse(value)
  if (parsed.success) return parsed.data
  const faults = parsed.error.issues.map(({ path, message }) => ({
    path: path.join('.'),
    reason: `${message}.`,
  }))
  throw apiError('badRequest', { faults: faults.slice(0, 20) })
}
