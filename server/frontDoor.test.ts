import { connect } from 'node:net'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { emptyRig, editRow, formatRigFile } from '#core/rig'
import { hostName, isOurs } from './base/hosts'
import { ask } from './testing/ask'
import { rawRequest, statusAskedAs } from './testing/rawRequest'
import { startTestServer, type TestServer } from './testing/testServer'

let server: TestServer
beforeAll(async () => {
  server = await startTestServer({ WIRE_STEP_HOSTS: 'pit.example' })
})
afterAll(() => server.stop())

describe('the name a server is asked by', () => {
  // A name of an attacker's that leads to 127.0.0.1 ("DNS rebinding") arrives with that name in Host.
  it.each(['GET', 'HEAD', 'POST', 'DELETE', 'OPTIONS'])(
    '%s by a name of others is refused',
    async (method) => {
      expect(await statusAskedAs(server.url, 'evil.test', method)).toBe(421)
      expect(await statusAskedAs(server.url, '127.0.0.1.evil.test:3000', method)).toBe(421)
    },
  )

  it.each([
    'localhost',
    'LOCALHOST:3000',
    '127.0.0.1',
    '127.9.9.9:80',
    '[::1]:3000',
    'pit.example',
    'localhost.',
  ])('%s is taken', async (host) => expect(await statusAskedAs(server.url, host)).toBe(200))

  it.each([
    '',
    'evil.test/localhost',
    'localhost@evil.test',
    'localhost evil.test',
    '10.0.0.1',
    '[fe80::1]',
    'pit.example.evil',
  ])('"%s" is not', async (host) => expect([400, 421]).toContain(await statusAskedAs(server.url, host)))

  it('no name at all is refused', async () => {
    expect(await statusAskedAs(server.url, null)).toBe(400)
    expect(await rawRequest(server.url, 'GET /api/rigs HTTP/1.0\r\n\r\n')).toContain('421')
  })

  it('the refusal says how to mend it', async () => {
    const answer = await rawRequest(
      server.url,
      'GET /api/rigs HTTP/1.1\r\nHost: evil.test\r\nConnection: close\r\n\r\n',
    )
    expect(answer).toContain('list the name in WIRE_STEP_HOSTS')
  })

  it('may be the configured host, or any address of this machine when it listens on all', () => {
    expect(hostName('[::1]:80')).toBe('::1')
    expect(isOurs('mixer', 'mixer', [])).toBe(true)
    expect(isOurs('mixer', '127.0.0.1', [])).toBe(false)
    expect(isOurs('127.0.0.1', '0.0.0.0', [])).toBe(true)
    expect(isOurs('203.0.113.9', '0.0.0.0', [])).toBe(false)
  })
})

describe('reads', () => {
  it('from pages of others are refused; a link may be followed', async () => {
    const from = (headers: Record<string, string>) => ask(`${server.url}/api/rigs`, 'GET', undefined, headers)
    expect((await from({ 'sec-fetch-site': 'cross-site' })).json.error.code).toBe('crossSite')
    expect((await from({ 'sec-fetch-site': 'same-site' })).status).toBe(403)
    expect((await from({ 'sec-fetch-site': 'same-origin' })).status).toBe(200)
    // fetch says of itself that it is no link.
    const link =
      'Host: localhost\r\nSec-Fetch-Site: cross-site\r\nSec-Fetch-Mode: navigate\r\nConnection: close\r\n\r\n'
    expect(await rawRequest(server.url, `GET /api/rigs HTTP/1.1\r\n${link}`)).toContain('200 OK')
  })

  it('are only for our pages, in no frame', async () => {
    const { headers } = await ask(`${server.url}/api/rigs`, 'GET')
    expect(headers.get('cross-origin-resource-policy')).toBe('same-origin')
    expect(headers.get('x-frame-options')).toBe('DENY')
  })

  it('are compressed, and answered with 304 when the browser has them', async () => {
    const made = await ask(`${server.url}/api/rigs`, 'POST', { name: 'For the tag' })
    const path = `${server.url}/api/rigs/${made.json.id}`
    const first = await ask(path, 'GET', undefined, { 'accept-encoding': 'gzip' })
    expect(first.headers.get('content-encoding')).toBe(null)
    const schema = await ask(`${server.url}/api/rig-file.schema.json`, 'GET', undefined, {
      'accept-encoding': 'gzip',
    })
    expect(schema.headers.get('content-encoding')).toBe('gzip')
    for (const { url, tag } of [
      { url: path, tag: first.headers.get('etag')! },
      { url: `${server.url}/api/rig-file.schema.json`, tag: schema.headers.get('etag')! },
    ]) {
      expect(tag).toMatch(/^W\/"/)
      expect(await ask(url, 'GET', undefined, { 'if-none-match': `"other", ${tag}` })).toMatchObject({
        status: 304,
        text: '',
      })
    }
    const { rig } = first.json
    await ask(`${path}/edits`, 'POST', {
      id: 'x',
      edit: editRow(rig, 'renameRig', 'about', 'about', { name: 'Changed' }),
    })
    const after = await ask(path, 'GET', undefined, { 'if-none-match': first.headers.get('etag')! })
    expect([after.status, after.json.rig.about.about.name]).toEqual([200, 'Changed'])
  })
})

describe('the limit of requests', () => {
  it('goes by the socket, whatever a header says, and says when to come again', async () => {
    const strict = await startTestServer({ WIRE_STEP_REQUESTS: '5' })
    const statuses = []
    for (let n = 0; n < 7; n++)
      statuses.push(
        (await ask(`${strict.url}/api/rigs`, 'GET', undefined, { 'x-forwarded-for': `10.0.0.${n}` })).status,
      )
    expect(statuses).toEqual([200, 200, 200, 200, 200, 429, 429])
    const refused = await ask(`${strict.url}/api/rigs`, 'GET')
    expect(Number(refused.headers.get('retry-after'))).toBeGreaterThan(0)
    expect(refused.json.error.code).toBe('tooManyRequests')
    await strict.stop()
  })
})

describe('sockets', () => {
  it('that are slow with what they have to say are closed', async () => {
    const strict = await startTestServer({}, { headersTimeout: 200, requestTimeout: 400, checkEvery: 50 })
    expect(await rawRequest(strict.url, 'GET /api/rigs HTTP/1.1\r\nHost: local')).toContain('408')
    const upload = 'POST /api/rigs HTTP/1.1\r\nHost: localhost\r\nContent-Length: 1000\r\n\r\n{"na'
    expect(await rawRequest(strict.url, upload)).toContain('408')
    await strict.stop()
  })

  it('are only so many', async () => {
    const strict = await startTestServer({}, { maxConnections: 3 })
    const { port } = new URL(strict.url)
    const sockets = Array.from({ length: 5 }, () => connect(Number(port), '127.0.0.1'))
    let closed = 0
    await new Promise<void>((resolve) => {
      for (const socket of sockets) {
        socket.on('error', () => {})
        socket.on('close', () => ++closed === 2 && resolve())
      }
    })
    // The others stay.
    await new Promise((resolve) => setTimeout(resolve, 200))
    expect(closed).toBe(2)
    for (const socket of sockets) socket.destroy()
    await strict.stop()
  })
})

describe('the log', () => {
  it('hears nothing of a client that goes away in the middle', async () => {
    const said = vi.spyOn(console, 'error').mockImplementation(() => {})
    const { port } = new URL(server.url)
    await new Promise<void>((resolve) => {
      const socket = connect(Number(port), '127.0.0.1', () => {
        socket.write('POST /api/rigs HTTP/1.1\r\nHost: localhost\r\nContent-Length: 1000\r\n\r\n{"name"')
        setTimeout(() => socket.destroy(), 50)
      })
      socket.on('close', () => setTimeout(resolve, 100))
    })
    expect(said).not.toHaveBeenCalled()
    said.mockRestore()
  })

  it('of a failure says what kind and where, and nothing the player wrote', async () => {
    const said = vi.spyOn(console, 'error').mockImplementation(() => {})
    const broken = await startTestServer()
    const rig = emptyRig('Secret of the pit')
    const { json } = await ask(`${broken.url}/api/rigs/file`, 'POST', formatRigFile(rig))
    await broken.store.database.db.run('DROP TABLE edits')
    const edit = editRow(rig, 'renameRig', 'about', 'about', { name: 'Secret of the loft' })
    const answer = await ask(`${broken.url}/api/rigs/${json.id}/edits?why=secret`, 'POST', { id: 'x', edit })
    expect([answer.status, answer.json.error.code]).toEqual([500, 'internal'])
    const log = said.mock.calls.flat().join('\n')
    expect(log).toContain('POST /api/rigs/')
    expect(log).toContain('SQLITE_ERROR')
    expect(log).not.toMatch(/secret/i)
    said.mockRestore()
    await broken.stop()
  })
})
