import { createHash } from 'node:crypto'
import { getRequestHeader, send, setResponseHeader, setResponseStatus, type H3Event } from 'h3'

/** Answers with JSON that the browser may keep and must ask about again; 304 when it has this text already. */
export async function sendJson(event: H3Event, value: unknown): Promise<void> {
  const text = JSON.stringify(value)
  if (!(await isKnown(event, createHash('sha256').update(text).digest('base64url'))))
    await send(event, text, 'application/json; charset=utf-8')
}

/** True, and answered with 304, when the browser holds this version of the answer. */
export async function isKnown(event: H3Event, version: string): Promise<boolean> {
  const tag = `W/"${version}"`
  setResponseHeader(event, 'ETag', tag)
  setResponseHeader(event, 'Cache-Control', 'private, no-cache')
  const held = (getRequestHeader(event, 'if-none-match') ?? '').split(',')
  if (!held.some((one) => one.trim() === tag)) return false
  setResponseStatus(event, 304)
  await send(event)
  return true
}
