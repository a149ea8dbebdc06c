import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { editRow, emptyRig, NO_RIG, replay, type Edit, type Rig } from '#core/rig'
import { openDatabase } from './db/database'
import { readEditsBetween } from './db/repositories/editLog'
import { completeLogs } from './services/completeLogs'
import { ask } from './testing/ask'
import { HRANA_TOKEN, startHranaServer, type Fault, type HranaServer } from './testing/hranaServer'
import { readMigration, startTestServer, type TestServer } from './testing/testServer'

let remote: HranaServer
let first: TestServer
let rigId: string
beforeEach(async () => {
  remote = await startHranaServer()
  first = await startTestServer({ DATABASE_URL: remote.url, DATABASE_AUTH_TOKEN: HRANA_TOKEN })
  rigId = (await ask(`${first.url}/api/rigs`, 'POST', { name: 'Far away' })).json.id
})
afterEach(async () => {
  await first.stop()
  await remote.stop()
})

const load = async (server = first): Promise<{ rig: Rig; revision: number }> =>
  (await ask(`${server.url}/api/rigs/${rigId}`, 'GET')).json
const post = (id: string, edit: Edit, server = first) =>
  ask(`${server.url}/api/rigs/${rigId}/edits`, 'POST', { id, edit })
const named = (rig: Rig, name: string) => editRow(rig, 'renameRig', 'about', 'about', { name })!

describe('a remote database that fails', () => {
  it.each<[string, Fault, string]>([
    ['is out of reach', 'cutBefore', 'storageAway'],
    ['refuses the token', 'expired', 'storageRefused'],
    ['has a full disk', 'SQLITE_FULL', 'storageFull'],
    ['is read-only', 'SQLITE_READONLY', 'storageReadOnly'],
    ['cannot write', 'SQLITE_IOERR_WRITE', 'storageFault'],
    ['is damaged', 'SQLITE_CORRUPT', 'storageBroken'],
  ])('and %s says so, and takes the edit when it is well again', async (_, fault, code) => {
    const { rig } = await load()
    remote.faults.push(fault)
    expect((await post('x', named(rig, 'Sent'))).json.error.code).toBe(code)
    remote.faults.length = 0
    expect(await post('x', named(rig, 'Sent'))).toMatchObject({ status: 200, json: { revision: 2 } })
    expect((await load()).rig.about.about?.name).toBe('Sent')
  })

  it.each([1, 2, 3])(
    'whose answer is lost (request %i of the edit) never does it twice, nor half',
    async (nth) => {
      const { rig } = await load()
      remote.faults.push(...Array.from({ length: nth - 1 }, (): Fault => 'ok'), 'cutAfter')
      expect((await post('x', named(rig, 'Once'))).status).toBe(503)
      remote.faults.length = 0
      expect(await post('x', named(rig, 'Once'))).toMatchObject({ status: 200, json: { revision: 2 } })
      const now = await load()
      expect([now.revision, now.rig.about.about?.name]).toEqual([2, 'Once'])
      // What is kept at hand is what is stored.
      expect(await post('y', named(now.rig, 'Twice'))).toMatchObject({ status: 200, json: { revision: 3 } })
    },
  )

  it('that is busy is asked again', async () => {
    const { rig } = await load()
    remote.faults.push('SQLITE_BUSY', 'SQLITE_BUSY')
    expect((await post('x', named(rig, 'In the end'))).status).toBe(200)
  })

  it('that is slow is waited for, and given up when it takes too long', async () => {
    remote.faults.push({ slow: 300 })
    expect((await load()).revision).toBe(1)
    const hasty = openDatabase(remote.url, HRANA_TOKEN, readMigration, { timeout: 100 })
    remote.faults.push({ slow: 400 })
    await expect(hasty).rejects.toMatchObject({ name: 'TimeoutError' })
  })

  it('an edit takes three requests, however many rows it changes', async () => {
    const { rig } = await load()
    await post('x', named(rig, 'Warm'))
    const { rig: now } = await load()
    const before = remote.asked()
    await post('y', named(now, 'Counted'))
    expect(remote.asked() - before).toBe(3)
  })
})

describe('two servers of one database', () => {
  it('serve one rig without a lost update or a stale answer', async () => {
    const second = await startTestServer({ DATABASE_URL: remote.url, DATABASE_AUTH_TOKEN: HRANA_TOKEN })
    const servers = [first, second]
    const done: string[] = []
    /** A player at one of the servers: edits what it sees, and takes the new state when it is told to. */
    async function play(player: number): Promise<void> {
      for (let n = 0; n < 12; n++) {
        const server = servers[(player + n) % 2]!
        for (let tries = 0; tries < 200; tries++) {
          const { rig, revision } = await load(servers[(player + n + 1) % 2])
          const { length } = done
          // What has been confirmed anywhere is in every later answer.
          expect(revision).toBeGreaterThanOrEqual(1)
          const name = `${rig.about.about!.name.split('|')[0]}|${player}.${n}`
          const answer = await post(`${player}-${n}`, named(rig, name), server)
          if (answer.status === 200) {
            done.push(`${answer.json.revision}:${name}`)
            expect((await load(servers[n % 2])).revision).toBeGreaterThanOrEqual(answer.json.revision)
            expect(done.length).toBeGreaterThan(length)
            break
          }
          expect(['stale', 'busy']).toContain(answer.json.error.code)
        }
      }
    }
    await Promise.all([0, 1, 2].map(play))
    expect(done).toHaveLength(36)
    const revisions = done.map((one) => Number(one.split(':')[0])).sort((a, b) => a - b)
    expect(revisions).toEqual(Array.from({ length: 36 }, (_, n) => n + 2))
    const [here, there] = [await load(first), await load(second)]
    expect(here).toEqual(there)
    const last = done.find((one) => one.startsWith('37:'))!
    expect(here.rig.about.about?.name).toBe(last.slice(3))
    const log = await readEditsBetween(first.store.database.db, rigId, 0, 1e9)
    expect(
      replay(
        log.map(({ edit }) => edit),
        NO_RIG,
      ),
    ).toEqual(here.rig)
    await second.stop()
  }, 30_000)

  it('a rig deleted at one is gone at the other', async () => {
    const second = await startTestServer({ DATABASE_URL: remote.url, DATABASE_AUTH_TOKEN: HRANA_TOKEN })
    await load(second)
    await ask(`${first.url}/api/rigs/${rigId}`, 'DELETE')
    expect((await ask(`${second.url}/api/rigs/${rigId}`, 'GET')).status).toBe(404)
    expect((await post('x', named(emptyRig('Far away'), 'Gone'), second)).status).toBe(404)
    await second.stop()
  })

  it('a database put back to an earlier state is believed, not what was kept of a later one', async () => {
    const { rig } = await load()
    await post('x', named(rig, 'Before the backup'))
    const { database } = first.store
    // Another life of the same revision: what a restored backup and one edit look like.
    await database.db.run(`UPDATE about SET name = 'Other life' WHERE rigId = '${rigId}'`)
    await database.db.run(`UPDATE rigs SET changedAt = '2026-01-01T00:00:00.000Z' WHERE id = '${rigId}'`)
    expect((await load()).rig.about.about?.name).toBe('Other life')
    expect(await completeLogs(database, new Date())).toBe(0)
  })
})
