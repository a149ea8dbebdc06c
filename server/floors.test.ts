import { afterEach, describe, expect, it } from 'vitest'
import type { FloorSeen, PostFloor } from '#shared/contract/floor'
import { ask } from './testing/ask'
import { PLACES } from './testing/places'
import { startTestServer, type TestServer } from './testing/testServer'

const now = (switchId: string | null): PostFloor['now'] => ({
  bankId: null,
  layer: 'base',
  soundId: null,
  switchId: switchId as never,
  showAt: null,
  bpm: null,
  lamps: {},
  roles: {},
  down: [],
  next: {},
})

const closers: (() => Promise<void>)[] = []
afterEach(async () => {
  for (const close of closers.splice(0).reverse()) await close()
})

async function serve(env: Record<string, string> = {}): Promise<TestServer> {
  const server = await startTestServer(env)
  closers.push(server.stop)
  return server
}

const newRig = async ({ url }: TestServer): Promise<string> =>
  (await ask(`${url}/api/rigs`, 'POST', { name: 'Followed' })).json.id

const post = (
  { url }: TestServer,
  rigId: string,
  switchId: string | null,
  { by = 'desk', isFirst = false }: Partial<PostFloor> = {},
) => ask(`${url}/api/rigs/${rigId}/floor`, 'POST', { by, isFirst, revision: 1, now: now(switchId) })

/** A screen that follows: what it saw, and what the stream's names were, in order. */
async function follow({ url }: TestServer, rigId: string, headers: Record<string, string> = {}) {
  const stop = new AbortController()
  const response = await fetch(`${url}/api/rigs/${rigId}/floor`, { signal: stop.signal, headers })
  const seen: FloorSeen[] = []
  const names: string[] = []
  let isEnded = false
  const read = async () => {
    let text = ''
    const reader = response.body!.getReader()
    for (let part = await reader.read(); !part.done; part = await reader.read()) {
      text += Buffer.from(part.value).toString('utf8')
      for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
        const lines = text.slice(0, end).split('\n')
        text = text.slice(end + 2)
        const name = lines.find((line) => line.startsWith('event: '))?.slice(7) ?? ''
        const data = lines.find((line) => line.startsWith('data: '))?.slice(6) ?? ''
        names.push(name)
        if (name === 'floor') seen.push(JSON.parse(data))
      }
    }
  }
  void read()
    .catch(() => undefined)
    .finally(() => (isEnded = true))
  closers.push(async () => stop.abort())
  const steps = () => seen.map((one) => one.now.switchId)
  const until = async (is: () => boolean) => {
    for (let n = 0; n < 400 && !is(); n++) await new Promise((resolve) => setTimeout(resolve, 10))
    expect(is()).toBe(true)
  }
  return {
    status: response.status,
    headers: response.headers,
    seen,
    names,
    steps,
    until,
    isEnded: () => isEnded,
  }
}

describe.each(PLACES)('with $name', ({ open }) => {
  async function two(): Promise<readonly [TestServer, TestServer]> {
    const { env, close } = await open()
    closers.push(close)
    const one = await serve(env)
    return [one, await serve({ ...env, DATABASE_URL: one.databaseUrl })]
  }

  it('a screen sees what stands at once, and every step in order, by either server', async () => {
    const [desk, other] = await two()
    const rigId = await newRig(desk)
    await post(desk, rigId, 'a')
    const near = await follow(desk, rigId)
    const far = await follow(other, rigId)
    await far.until(() => far.steps().includes('a' as never))
    for (const switchId of ['b', 'c', 'd']) await post(desk, rigId, switchId)
    await near.until(() => near.steps().at(-1) === 'd')
    expect(near.steps()).toEqual(['a', 'b', 'c', 'd'])
    await far.until(() => far.steps().at(-1) === 'd')
    // Another server may leave steps out, never turn them round.
    expect(far.seen.map(({ at }) => at)).toEqual(far.seen.map(({ at }) => at).toSorted((a, b) => a - b))
    // A step made by the other server comes back.
    await post(other, rigId, 'e', { by: 'second desk' })
    await near.until(() => near.steps().at(-1) === 'e')
  }, 30_000)
})

describe('followed floors', () => {
  it('say how many follow, and forget who has gone', async () => {
    const server = await serve()
    const rigId = await newRig(server)
    expect((await post(server, rigId, 'a')).json).toEqual({ followers: 0 })
    await follow(server, rigId)
    await follow(server, rigId)
    expect((await post(server, rigId, 'b')).json).toEqual({ followers: 2 })
    await closers.pop()!()
    let count = 2
    for (let n = 0; n < 100 && count > 1; n++) {
      count = (await post(server, rigId, 'c')).json.followers
      await new Promise((resolve) => setTimeout(resolve, 20))
    }
    expect(count).toBe(1)
  })

  it('of a desk where nobody has stepped on anything give way to one where somebody has', async () => {
    const server = await serve()
    const rigId = await newRig(server)
    await post(server, rigId, null, { by: 'one', isFirst: true })
    await post(server, rigId, 'a', { by: 'two' })
    await post(server, rigId, null, { by: 'one', isFirst: true })
    const screen = await follow(server, rigId)
    await screen.until(() => screen.seen.length > 0)
    expect(screen.steps()).toEqual(['a'])
    // The one that steps now is the one followed.
    await post(server, rigId, 'b', { by: 'one' })
    await screen.until(() => screen.steps().at(-1) === 'b')
  })

  it('are not kept back by compression, and end with the server', async () => {
    const server = await serve()
    const rigId = await newRig(server)
    const screen = await follow(server, rigId, { 'accept-encoding': 'gzip' })
    expect(screen.headers.get('content-encoding')).toBeNull()
    await screen.until(() => screen.names.includes('beat'))
    await server.stop()
    closers.splice(closers.indexOf(server.stop), 1)
    await screen.until(() => screen.isEnded())
  })

  it('are refused of a rig that is not there, and of what is no floor; go with the rig', async () => {
    const server = await serve()
    const rigId = await newRig(server)
    expect((await post(server, 'nowhere', 'a')).status).toBe(404)
    expect((await ask(`${server.url}/api/rigs/nowhere/floor`, 'GET')).status).toBe(404)
    const bad = { by: 'desk', isFirst: false, revision: 1, now: { ...now('a'), edit: {} } }
    const refused = await ask(`${server.url}/api/rigs/${rigId}/floor`, 'POST', bad)
    expect([refused.status, refused.text]).toEqual([400, expect.stringContaining('now')])
    await post(server, rigId, 'a')
    await new Promise((resolve) => setTimeout(resolve, 100))
    expect((await ask(`${server.url}/api/rigs/${rigId}`, 'DELETE')).status).toBeLessThan(300)
    expect((await post(server, rigId, 'b')).status).toBe(404)
  })

  it('change no rig: its revision stays', async () => {
    const server = await serve()
    const rigId = await newRig(server)
    for (const switchId of ['a', 'b', 'c']) await post(server, rigId, switchId)
    await new Promise((resolve) => setTimeout(resolve, 100))
    expect((await ask(`${server.url}/api/rigs/${rigId}`, 'GET')).json.revision).toBe(1)
  })
})
