import { mkdtemp, rm } from 'node:fs/promises'
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'libsql'

/**
 * A stand-in for a remote database: what the client speaks with `libsql://` and `http://` addresses (Hrana over
 * HTTP, version 2, JSON; as in the sources of @libsql/hrana-client 0.10, lib-esm/http and lib-esm/shared), in
 * front of a file of its own. A stream is one connection, named by its baton from request to request.
 */
export interface HranaServer {
  readonly url: string
  /** What happens to the requests that come, in turn; `ok` when the list is used up. */
  readonly faults: Fault[]
  /** How many requests have come. */
  readonly asked: () => number
  readonly stop: () => Promise<void>
}

/**
 * `cutBefore`: the connection ends and nothing was done. `cutAfter`: it ends when all was done. `slow`: the answer
 * takes so many ms. `expired`: the token is refused. A code of SQLite: every statement fails with it.
 */
export type Fault =
  | 'ok'
  | 'cutBefore'
  | 'cutAfter'
  | 'expired'
  | { readonly slow: number }
  | `SQLITE_${string}`

const TOKEN = 'token of the test'
export const HRANA_TOKEN = TOKEN

export async function startHranaServer(): Promise<HranaServer> {
  const folder = await mkdtemp(join(tmpdir(), 'wire-step-hrana-'))
  const streams = new Map<string, Stream>()
  const faults: Fault[] = []
  let asked = 0
  let named = 0

  async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const body = await bodyOf(request)
    asked++
    const fault = faults.shift() ?? 'ok'
    if (fault === 'cutBefore') return void request.socket.destroy()
    if (fault === 'expired' || request.headers.authorization !== `Bearer ${TOKEN}`)
      return reply(response, 401, { message: 'The token has expired', code: 'AUTH_EXPIRED' }, 'text/plain')
    if (request.method !== 'POST' || request.url !== '/v2/pipeline') return reply(response, 404, {})
    const { baton, requests } = JSON.parse(body) as { baton: string | null; requests: StreamRequest[] }
    const stream = baton ? streams.get(baton) : openStream(join(folder, 'remote.db'))
    if (!stream) return reply(response, 400, { message: 'The stream has expired', code: 'STREAM_EXPIRED' })
    if (baton) streams.delete(baton)
    const failing = typeof fault === 'string' && fault.startsWith('SQLITE_') ? fault : null
    const results = requests.map((one) => stream.handle(one, failing))
    const next = stream.isOpen() ? `baton-${++named}` : null
    if (next) streams.set(next, stream)
    if (fault === 'cutAfter') {
      // Nobody will ever name this stream again: the server gives it up.
      if (next) streams.delete(next)
      stream.close()
      return void request.socket.destroy()
    }
    if (typeof fault === 'object') await new Promise((resolve) => setTimeout(resolve, fault.slow))
    reply(response, 200, { baton: next, base_url: null, results })
  }

  const server = createServer((request, response) => void answer(request, response))
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    faults,
    asked: () => asked,
    stop: async () => {
      server.closeAllConnections()
      await new Promise((resolve) => server.close(resolve))
      for (const stream of streams.values()) stream.close()
      await rm(folder, { recursive: true })
    },
  }
}

async function bodyOf(request: IncomingMessage): Promise<string> {
  const pieces: Buffer[] = []
  for await (const piece of request) pieces.push(piece as Buffer)
  return Buffer.concat(pieces).toString('utf8')
}

function reply(response: ServerResponse, status: number, body: object, type = 'application/json'): void {
  if (response.destroyed) return
  response.writeHead(status, { 'Content-Type': type })
  response.end(JSON.stringify(body))
}

type Value =
  | { type: 'null' }
  | { type: 'integer'; value: string }
  | { type: 'float'; value: number }
  | { type: 'text'; value: string }
  | { type: 'blob'; base64: string }

interface Statement {
  sql?: string
  sql_id?: number
  args?: Value[]
  named_args?: { name: string; value: Value }[]
}

type Condition =
  | { type: 'ok' | 'error'; step: number }
  | { type: 'not'; cond: Condition }
  | { type: 'and' | 'or'; conds: Condition[] }
  | { type: 'is_autocommit' }

type StreamRequest =
  | { type: 'close' | 'get_autocommit' }
  | { type: 'execute'; stmt: Statement }
  | { type: 'batch'; batch: { steps: { condition?: Condition | null; stmt: Statement }[] } }
  | { type: 'sequence'; sql?: string; sql_id?: number }
  | { type: 'store_sql'; sql_id: number; sql: string }
  | { type: 'close_sql'; sql_id: number }

type StreamResult =
  | { type: 'ok'; response: object }
  | { type: 'error'; error: { message: string; code: string } }

interface Stream {
  readonly handle: (request: StreamRequest, failing: string | null) => StreamResult
  readonly isOpen: () => boolean
  readonly close: () => void
}

function openStream(path: string): Stream {
  const database = new Database(path, { timeout: 0 } as Database.Options)
  const texts = new Map<number, string>()
  const sqlOf = ({ sql, sql_id: id }: { sql?: string; sql_id?: number }) => sql ?? texts.get(id!) ?? ''
  let isOpen = true

  function execute(statement: Statement, failing: string | null): object {
    if (failing) throw Object.assign(new Error('A fault of the test'), { code: failing })
    const prepared = database.prepare(sqlOf(statement)).safeIntegers(true)
    const args = statement.named_args?.length
      ? Object.fromEntries(
          statement.named_args.map(({ name, value }) => [name.replace(/^[:@$]/, ''), fromValue(value)]),
        )
      : (statement.args ?? []).map(fromValue)
    if (!returnsRows(prepared)) {
      const { changes } = prepared.run(args)
      return { cols: [], rows: [], affected_row_count: changes, last_insert_rowid: null }
    }
    const cols = prepared.columns().map(({ name, type }) => ({ name, decltype: type }))
    const rows = (prepared.raw(true).all(args) as unknown[][]).map((row) => row.map(toValue))
    return { cols, rows, affected_row_count: 0, last_insert_rowid: null }
  }

  function batch(steps: { condition?: Condition | null; stmt: Statement }[], failing: string | null): object {
    const results: (object | null)[] = []
    const errors: (object | null)[] = []
    const holds = (one: Condition): boolean => {
      switch (one.type) {
        case 'ok':
          return results[one.step] !== null
        case 'error':
          return errors[one.step] !== null
        case 'not':
          return !holds(one.cond)
        case 'and':
          return one.conds.every(holds)
        case 'or':
          return one.conds.some(holds)
        case 'is_autocommit':
          return !database.inTransaction
      }
    }
    for (const { condition, stmt } of steps) {
      let [result, error]: [object | null, object | null] = [null, null]
      if (!condition || holds(condition))
        try {
          result = execute(stmt, failing)
        } catch (thrown) {
          error = errorOf(thrown)
        }
      results.push(result)
      errors.push(error)
    }
    return { step_results: results, step_errors: errors }
  }

  function close(): void {
    if (isOpen) database.close()
    isOpen = false
  }

  function respond(request: StreamRequest, failing: string | null): object {
    switch (request.type) {
      case 'close':
        close()
        return {}
      case 'get_autocommit':
        return { is_autocommit: !database.inTransaction }
      case 'execute':
        return { result: execute(request.stmt, failing) }
      case 'batch':
        return { result: batch(request.batch.steps, failing) }
      case 'sequence':
        database.exec(sqlOf(request))
        return {}
      case 'store_sql':
        texts.set(request.sql_id, request.sql)
        return {}
      case 'close_sql':
        texts.delete(request.sql_id)
        return {}
    }
  }

  return {
    isOpen: () => isOpen,
    close,
    handle: (request, failing) => {
      try {
        return { type: 'ok', response: { type: request.type, ...respond(request, failing) } }
      } catch (error) {
        return { type: 'error', error: errorOf(error) }
      }
    },
  }
}

/** libSQL's statements say whether they give rows only by refusing to be made raw. */
function returnsRows(statement: Database.Statement): boolean {
  try {
    statement.raw(true)
    return true
  } catch {
    return false
  }
}

const errorOf = (error: unknown): { message: string; code: string } => ({
  message: error instanceof Error ? error.message : String(error),
  code: String((error as { code?: unknown }).code ?? 'SQLITE_ERROR'),
})

function fromValue(value: Value): unknown {
  switch (value.type) {
    case 'null':
      return null
    case 'integer':
      return BigInt(value.value)
    case 'float':
    case 'text':
      return value.value
    case 'blob':
      return Buffer.from(value.base64, 'base64')
  }
}

function toValue(value: unknown): Value {
  if (value === null) return { type: 'null' }
  if (typeof value === 'bigint') return { type: 'integer', value: String(value) }
  if (typeof value === 'number') return { type: 'float', value }
  if (typeof value === 'string') return { type: 'text', value }
  return { type: 'blob', base64: Buffer.from(value as Uint8Array).toString('base64') }
}
