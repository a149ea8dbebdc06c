import type {
  CreatedReply,
  EditLogReply,
  PostEdit,
  RevisionReply,
  RigListReply,
  RigReply,
} from '#shared/contract/rigs'
import type { ErrorReply } from '#shared/errors'

/** Why a request brought nothing: the server refused it, or could not be reached. */
export type Failure =
  { readonly kind: 'refused'; readonly error: ErrorReply['error'] } | { readonly kind: 'away' }

export type Answer<Value> = { readonly kind: 'done'; readonly value: Value } | Failure

/** What the app asks of the server. */
export interface RigServer {
  readonly list: () => Promise<Answer<RigListReply>>
  readonly create: (name: string) => Promise<Answer<CreatedReply>>
  readonly importFile: (text: string) => Promise<Answer<CreatedReply>>
  readonly load: (rigId: string) => Promise<Answer<RigReply>>
  readonly remove: (rigId: string) => Promise<Answer<null>>
  readonly post: (rigId: string, edit: PostEdit) => Promise<Answer<RevisionReply>>
  readonly since: (rigId: string, revision: number) => Promise<Answer<EditLogReply>>
}

export const browserRigServer: RigServer = {
  list: () => ask('GET', '/api/rigs'),
  create: (name) => ask('POST', '/api/rigs', JSON.stringify({ name })),
  importFile: (text) => ask('POST', '/api/rigs/file', text),
  load: (rigId) => ask('GET', address(rigId)),
  remove: (rigId) => ask('DELETE', address(rigId)),
  post: (rigId, edit) => ask('POST', `${address(rigId)}/edits`, JSON.stringify(edit)),
  since: (rigId, revision) => ask('GET', `${address(rigId)}/edits?since=${revision}`),
}

const address = (rigId: string) => `/api/rigs/${encodeURIComponent(rigId)}`

/** Where a rig's files are; the browser fetches them itself. */
export const fileAddress = (rigId: string, file: 'rig.json' | 'switches.mid') =>
  `${address(rigId)}/files/${file}`

/** Refusals that only mean "not now". */
const PASSING = new Set<ErrorReply['error']['code']>(['tooManyRequests', 'unavailable'])

async function ask<Value>(method: string, url: string, body?: string): Promise<Answer<Value>> {
  const response = await attemptFetch(url, {
    method,
    ...(body !== undefined && { body, headers: { 'Content-Type': 'application/json' } }),
  })
  if (!response) return { kind: 'away' }
  if (response.ok)
    return { kind: 'done', value: (response.status === 204 ? null : await response.json()) as Value }
  const reply = await readError(response)
  return !reply || PASSING.has(reply.error.code) ? { kind: 'away' } : { kind: 'refused', error: reply.error }
}

/** Null when no connection could be made: fetch says so by a TypeError. */
async function attemptFetch(url: string, request: RequestInit): Promise<Response | null> {
  try {
    return await fetch(url, request)
  } catch (error) {
    if (error instanceof TypeError) return null
    throw error
  }
}

/** Null when the answer is not one of ours: something in between spoke for the server. */
async function readError(response: Response): Promise<ErrorReply | null> {
  try {
    const reply = (await response.json()) as Partial<ErrorReply>
    return reply.error ? (reply as ErrorReply) : null
  } catch (error) {
    if (error instanceof SyntaxError || error instanceof TypeError) return null
    throw error
  }
}

/** Where a device's chart is had as CSV. */
export const chartAddress = (rigId: string, deviceId: string): string =>
  `/api/rigs/${rigId}/files/chart.csv?device=${encodeURIComponent(deviceId)}`
