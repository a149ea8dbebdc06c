import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ownPath } from './http/signInPage'
import { readSettings } from './base/settings'
import { ask } from './testing/ask'
import { ROUTES, startTestServer, type TestServer } from './testing/testServer'

const PASSPHRASE = 'every good boy deserves fretwear'
let server: TestServer
beforeAll(async () => {
  server = await startTestServer({ WIRE_STEP_PASSPHRASE: PASSPHRASE })
})
afterAll(() => server.stop())

const signIn = (passphrase: string, to = server) => ask(`${to.url}/api/sign-in`, 'POST', { passphrase })
const cookieOf = (headers: Headers) =>
  headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ')

describe('with a passphrase', () => {
  it('no route but the sign-in answers without it', async () => {
    expect(ROUTES.length).toBeGreaterThan(14)
    for (const { path, method } of ROUTES) {
      const { status, text } = await ask(
        server.url + path.replaceAll(/:\w+/g, 'x'),
        method.toUpperCase(),
        method === 'get' ? undefined : {},
      )
      if (path === '/sign-in') expect([status, text.includes('Passphrase')]).toEqual([200, true])
      else if (path === '/api/sign-in') expect(status).toBe(401)
      else expect([path, status, text]).toEqual([path, 401, expect.stringContaining('notSignedIn')])
    }
    for (const path of [
      '/',
      '/rigs',
      '/_nuxt/entry.js',
      '/api/nothing',
      '/sign-in/x',
      '/api/sign-in/',
      '//api/rigs',
    ])
      expect((await ask(server.url + path, 'GET')).status).toBe(401)
  })

  it('a page leads to the sign-in and from there back', async () => {
    const { status, headers } = await ask(`${server.url}/rigs/x?a=b`, 'GET', undefined, {
      accept: 'text/html',
    })
    expect([status, headers.get('location')]).toEqual([303, '/sign-in?to=%2Frigs%2Fx%3Fa%3Db'])
    const page = await ask(server.url + headers.get('location'), 'GET')
    expect(page.text).toContain('name="to" value="/rigs/x?a=b"')
  })

  it('the right one opens everything, by a cookie no script can read', async () => {
    const given = await signIn(PASSPHRASE)
    expect(given.status).toBe(204)
    expect(given.headers.get('set-cookie')).toMatch(/HttpOnly; SameSite=Lax/)
    const cookie = cookieOf(given.headers)
    expect((await ask(`${server.url}/api/rigs`, 'GET', undefined, { cookie })).status).toBe(200)
    expect((await ask(`${server.url}/api/session`, 'GET', undefined, { cookie })).json).toEqual({
      hasSignIn: true,
    })
    expect(
      (await ask(`${server.url}/api/rigs`, 'GET', undefined, { cookie: cookie.slice(0, -3) })).status,
    ).toBe(401)
    const out = await ask(`${server.url}/api/sign-out`, 'POST', {}, { cookie })
    expect(cookieOf(out.headers)).toMatch(/=$/)
  })

  it('another server of the same database knows the sign-in, one with another passphrase does not', async () => {
    const other = (passphrase: string) =>
      startTestServer({ DATABASE_URL: server.databaseUrl, WIRE_STEP_PASSPHRASE: passphrase })
    const [twin, stranger] = [await other(PASSPHRASE), await other('quite another one')]
    const cookie = cookieOf((await signIn(PASSPHRASE, twin)).headers)
    expect((await ask(`${twin.url}/api/rigs`, 'GET', undefined, { cookie })).status).toBe(200)
    expect((await ask(`${stranger.url}/api/rigs`, 'GET', undefined, { cookie })).status).toBe(401)
    await twin.stop()
    await stranger.stop()
  })

  it('guessing is stopped after a few tries', async () => {
    const guessed = await startTestServer({ WIRE_STEP_PASSPHRASE: PASSPHRASE })
    const statuses = []
    for (let n = 0; n < 12; n++) statuses.push((await signIn(`guess ${n}`, guessed)).status)
    expect(statuses.at(-1)).toBe(429)
    expect((await signIn(PASSPHRASE, guessed)).status).toBe(429)
    await guessed.stop()
  })
})

describe('where a sign-in leads', () => {
  it.each(['https://evil.test', '//evil.test', '/\\evil.test', 'javascript:x', '', '/a b'])(
    'never to "%s"',
    (to) => {
      expect(ownPath(to)).toBe('/')
    },
  )
  it('to a path of ours', () => expect(ownPath('/rigs/x?a=b')).toBe('/rigs/x?a=b'))
})

describe('settings', () => {
  const faultsOf = (env: Record<string, string>) => {
    const read = readSettings(env)
    return read.ok ? [] : read.refusal
  }
  it('for this machine only ask for nothing', () => {
    expect(readSettings({})).toMatchObject({
      ok: true,
      value: { host: '127.0.0.1', port: 3000, passphrase: null, warnings: [] },
    })
    for (const HOST of ['localhost', '127.0.0.2', '::1']) expect(faultsOf({ HOST })).toEqual([])
  })
  it.each(['0.0.0.0', '::', '192.168.1.20', 'pit.example'])(
    'for others at %s ask for a passphrase, or to be told it is meant',
    (HOST) => {
      expect(faultsOf({ HOST })).toEqual([expect.stringContaining('Set WIRE_STEP_PASSPHRASE')])
      expect(faultsOf({ HOST, WIRE_STEP_PASSPHRASE: 'long enough' })).toEqual([])
      expect(readSettings({ HOST, WIRE_STEP_OPEN: '1' })).toMatchObject({
        value: { warnings: [expect.stringContaining('Warning')] },
      })
    },
  )
  it.each<[string, Record<string, string>]>([
    ['PORT is "0x"', { PORT: '0x' }],
    ['PORT is "70000"', { PORT: '70000' }],
    ['PORT is "-1"', { PORT: '-1' }],
    ['HOST is "a b"', { HOST: 'a b' }],
    ['WIRE_STEP_HOSTS names "http://pit"', { WIRE_STEP_HOSTS: 'http://pit' }],
    ['WIRE_STEP_PASSPHRASE is too short', { WIRE_STEP_PASSPHRASE: 'short' }],
    ['WIRE_STEP_REQUESTS is "many"', { WIRE_STEP_REQUESTS: 'many' }],
  ])('that are wrong are named in one line: %s', (line, env) => {
    expect(faultsOf(env)).toEqual([expect.stringContaining(line)])
  })
})
