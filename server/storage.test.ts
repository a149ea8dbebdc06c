import { spawn } from 'node:child_process'
import { copyFile, mkdtemp, readFile, rename, rm, stat, unlink } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createClient } from '@libsql/client'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { own } from '#core/base'
import { sayAllKeyedIn, setKeying, toldSheet, USUAL_KEYINGS } from '#core/keyin'
import { LOOP_CHARTS } from '#core/looper'
import { addPedal, SHIPPED_RIDES } from '#core/pedal'
import { keepRound } from '#core/practice'
import {
  addRow,
  applyEdit,
  editRow,
  emptyRig,
  NO_RIG,
  parseRigFile,
  replay,
  type Rig,
  type Run,
  type RunStep,
  type PedalId,
  type RideId,
  type SongId,
  type SwitchId,
  USUAL_PLAYER,
  type KeyInId,
  type Never,
  type NeverId,
  type PresetId,
  type PracticeId,
  type PartId,
  type ShowId,
  type SoundId,
  UNKNOWN_DUMPING,
  type Dump,
  type DumpId,
} from '#core/rig'
import { addPart, editShow, newShow, placeShowStep } from '#core/show'
import { playSteps, seenIn } from '#core/simulate'
import { addSong } from '#core/tempo'
import { openDatabase } from './db/database'
import { databasePath } from './db/databaseFile'
import { readEditsBetween } from './db/repositories/editLog'
import { tidewright } from './demo/tidewright'
import { completeLogs } from './services/completeLogs'
import { postEdit } from './services/edits'
import { nameRevision, rigThen } from './services/history'
import { createKeptRigs } from './services/keptRigs'
import { createRig, findHead, findRig, listRigs } from './services/rigs'
import type { Store } from './services/store'
import { startWords } from './start/startWords'
import { readSettings } from './base/settings'
import { ask } from './testing/ask'
import { readMigration, startTestServer } from './testing/testServer'

let folder: string
let path: string
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'wire-step-'))
  path = join(folder, 'test.db')
})
afterEach(() => rm(folder, { recursive: true }))

const open = async (patience = 4000): Promise<Store> => ({
  database: await openDatabase(`file:${path}`, undefined, readMigration, { patience }),
  kept: createKeptRigs(),
})
const rename_ = (rig: Rig, name: string) => editRow(rig, 'renameRig', 'about', 'about', { name })!
const rig = emptyRig('Kept')
const NOW = new Date('2026-11-25T20:00:00Z')

/** Far below the lock of 2 s: waiting inside SQLite would hold the event loop for all of it. */
const HELD = 1500

/** Another program: it takes the write lock, says so, and gives it back after so many ms. */
async function lockedFor(milliseconds: number): Promise<() => Promise<void>> {
  const script = `
    const { createClient } = require('@libsql/client')
    const client = createClient({ url: 'file:${path}' })
    client.transaction('write').then(async (tx) => {
      console.log('locked')
      setTimeout(async () => { await tx.rollback(); client.close() }, ${milliseconds})
    })`
  const other = spawn(process.execPath, ['-e', script], {
    cwd: process.cwd(),
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise((resolve) => other.stdout.once('data', resolve))
  return () =>
    new Promise((resolve) => (other.exitCode === null ? other.once('exit', () => resolve()) : resolve()))
}

/** The longest time the event loop was held while `work` ran, in ms. */
async function longestHold(work: () => Promise<unknown>): Promise<number> {
  let last = performance.now()
  let longest = 0
  const timer = setInterval(() => {
    longest = Math.max(longest, performance.now() - last)
    last = performance.now()
  }, 5)
  await work()
  clearInterval(timer)
  return longest
}

describe('a database another program has locked', () => {
  it('is waited for without holding anyone up, and read all the while', async () => {
    const store = await open()
    const { id } = await createRig(store, rig, NOW)
    const unlocked = await lockedFor(2000)
    const writing = postEdit(store, id, { id: 'x', edit: rename_(rig, 'Waited') }, NOW)
    expect(await longestHold(async () => expect((await findRig(store, id))?.rig).toEqual(rig))).toBeLessThan(
      250,
    )
    store.kept.forget(id)
    expect((await findRig(store, id))?.revision).toBe(1)
    expect(await longestHold(async () => expect(await writing).toMatchObject({ ok: true }))).toBeLessThan(
      HELD,
    )
    await unlocked()
    await store.database.close()
  })

  it('for too long is "busy", which the page takes as "try again"', async () => {
    const server = await startTestServer({ DATABASE_URL: `file:${path}` })
    const store = await open(150)
    const { id } = await createRig(store, rig, NOW)
    const unlocked = await lockedFor(2000)
    await expect(postEdit(store, id, { id: 'x', edit: rename_(rig, 'No') }, NOW)).rejects.toMatchObject({
      code: 'busy',
    })
    expect((await ask(`${server.url}/api/rigs`, 'GET')).status).toBe(200)
    await unlocked()
    expect(await postEdit(store, id, { id: 'x', edit: rename_(rig, 'Yes') }, NOW)).toMatchObject({ ok: true })
    await store.database.close()
    await server.stop()
  })
})

describe('a database file', () => {
  it('is its owner’s alone, and whole by itself after the end', async () => {
    const store = await open()
    await createRig(store, tidewright(), NOW)
    for (const file of [path, `${path}-wal`]) expect((await stat(file)).mode & 0o777).toBe(0o600)
    await store.database.close()
    expect((await stat(`${path}-wal`).catch(() => ({ size: 0 }))).size).toBe(0)
    const alone = join(folder, 'alone.db')
    await copyFile(path, alone)
    const client = createClient({ url: `file:${alone}` })
    expect((await client.execute('SELECT count(*) AS n FROM rigs')).rows[0]?.n).toBe(1)
    client.close()
  })

  it.each([
    ['deleted', async () => unlink(path)],
    ['replaced', async () => rename(path, `${path}.away`).then(() => copyFile(`${path}.away`, path))],
  ])('%s while the server runs is noticed before anything is confirmed', async (_, lose) => {
    const server = await startTestServer({ DATABASE_URL: `file:${path}` })
    const { json } = await ask(`${server.url}/api/rigs`, 'POST', { name: 'Lost' })
    await lose()
    const edit = rename_(emptyRig('Lost'), 'More')
    for (const [method, at, body] of [
      ['GET', '/api/rigs', undefined],
      ['GET', `/api/rigs/${json.id}`, undefined],
      ['POST', '/api/rigs', { name: 'Other' }],
      ['POST', `/api/rigs/${json.id}/edits`, { id: 'x', edit }],
    ] as const)
      expect(await ask(server.url + at, method, body)).toMatchObject({
        status: 503,
        json: { error: { code: 'storageGone' } },
      })
    await server.stop()
  })

  it('is found by any way of writing its address', () => {
    expect(databasePath('file:a%20b.db')).toBe('a b.db')
    expect(databasePath('file:///x/y.db?mode=rw')).toBe('/x/y.db')
    expect(databasePath('file://localhost/x.db')).toBe('/x.db')
    expect(databasePath('libsql://x')).toBeNull()
  })
})

describe('what is no database of this version', () => {
  const settings = () => {
    const read = readSettings({ DATABASE_URL: `file:${path}` })
    if (!read.ok) throw new Error('settings')
    return read.value
  }
  const wordsOf = () =>
    open(100).then(
      () => 'opened',
      (error: unknown) => startWords(error, settings()),
    )

  it('is refused when a newer one wrote it, untouched', async () => {
    await (await open()).database.close()
    const client = createClient({ url: `file:${path}` })
    await client.execute(
      `INSERT INTO "__drizzle_migrations" (hash, created_at) VALUES ('later', ${Date.now() + 1e12})`,
    )
    // All in the one file, so that it has no reason to change but the one looked for.
    await client.execute('PRAGMA wal_checkpoint(TRUNCATE)')
    client.close()
    const before = await readFile(path)
    expect(await wordsOf()).toContain('written by a newer version')
    expect(Buffer.compare(before, await readFile(path))).toBe(0)
  })

  it('is refused when it is something else, a folder, or locked, each in words of its own', async () => {
    const { writeFile, mkdir } = await import('node:fs/promises')
    await writeFile(path, 'no database at all, but long enough to be looked at as one'.repeat(20))
    expect(await wordsOf()).toContain('damaged or no database')
    await rm(path)
    await mkdir(path)
    expect(await wordsOf()).toContain('does not read or write')
    await rm(path, { recursive: true })
    await (await open()).database.close()
    const unlocked = await lockedFor(500)
    expect(['opened', expect.stringContaining('Another program')]).toContainEqual(await wordsOf())
    await unlocked()
  })
})

describe('a log', () => {
  const told = async ({ database }: Store, id: string): Promise<Rig> =>
    replay(
      (await readEditsBetween(database.db, id, 0, 1e9)).map(({ edit }) => edit),
      NO_RIG,
    )

  it('replayed from nothing is the stored rig, from the first revision on', async () => {
    const store = await open()
    const { id } = await createRig(store, tidewright(), NOW)
    expect(await told(store, id)).toEqual(tidewright())
    await postEdit(store, id, { id: 'x', edit: rename_(tidewright(), '  Spaced ') }, NOW)
    store.kept.forget(id)
    const stored = (await findRig(store, id))!.rig
    expect(stored.about.about?.name).toBe('Spaced')
    expect(await told(store, id)).toEqual(stored)
    await store.database.close()
  })

  it('the same id with another edit is refused, not answered as if it had been done', async () => {
    const store = await open()
    const { id } = await createRig(store, rig, NOW)
    expect(await postEdit(store, id, { id: 'x', edit: rename_(rig, ' One') }, NOW)).toMatchObject({
      ok: true,
    })
    expect(await postEdit(store, id, { id: 'x', edit: rename_(rig, ' One') }, NOW)).toMatchObject({
      ok: true,
      value: { revision: 2 },
    })
    expect(await postEdit(store, id, { id: 'x', edit: rename_(rig, 'Two') }, NOW)).toEqual({
      ok: false,
      refusal: { code: 'idTaken' },
    })
    await store.database.close()
  })

  // Made by version 0.1.0: rigs edited in order, with a row named twice, and with text that does not come back.
  it('of a database of the first version is completed once, and then tells every rig', async () => {
    await copyFile(new URL('./testing/old/version1.db', import.meta.url), path)
    const store = await open()
    const rigs = await listRigs(store)
    expect(rigs.map(({ name }) => name).sort()).toEqual([
      'A row named twice',
      'Edited in order',
      'Never edited',
      'Text that does not come back',
    ])
    expect(await completeLogs(store.database, NOW)).toBe(4)
    expect(await completeLogs(store.database, NOW)).toBe(0)
    for (const { id, name } of rigs) {
      const found = (await findRig(store, id))!
      expect([name, await told(store, id)]).toEqual([name, found.rig])
      const edit = rename_(found.rig, `${name}, again`)
      expect(await postEdit(store, id, { id: 'new', edit }, NOW)).toMatchObject({ ok: true })
    }
    const revisions = Object.fromEntries(
      await Promise.all(rigs.map(async ({ id, name }) => [name, (await findHead(store, id))?.revision])),
    )
    expect(revisions).toEqual({
      'Edited in order': 5,
      'Never edited': 2,
      // An edit more, that says what the log had wrong.
      'A row named twice': 4,
      'Text that does not come back': 5,
    })
    const text = rigs.find(({ name }) => name.startsWith('Text'))!
    const mended = (await findRig(store, text.id))!.rig.devices.echo!
    expect(mended.relays[0]?.does).toBe('half \uFFFD and nul \uFFFD here')
    await store.database.close()
  })

  // Made before switches knew more than presses: the demo of then, with a switch and a bank edited.
  it('of a database of the version before opens, is told by its log, and takes edits', async () => {
    await copyFile(new URL('./testing/old/version2.db', import.meta.url), path)
    const store = await open()
    const [old] = await listRigs(store)
    const { rig: found } = (await findRig(store, old!.id))!
    expect(await told(store, old!.id)).toEqual(found)
    expect(found.switches['menders-1']).toMatchObject({
      label: 'Verse',
      layer: 'base',
      longPress: [],
      lamps: [],
    })
    expect(found.banks.undertow).toMatchObject({ name: 'Under', pageOf: null, enter: [] })
    expect(found.controllers.controller).toMatchObject({ home: null, longMs: 500, doubleMs: 300, keeps: [] })
    const edit = editRow(found, 'labelSwitch', 'switches', 'menders-1', { label: 'Verse, dry' })!
    expect(await postEdit(store, old!.id, { id: 'new', edit }, NOW)).toMatchObject({ ok: true })
    await store.database.close()
  })

  // Made before controllers did anything at power-on and runs were kept: the demo of then, with a switch and a bank edited.
  it('of a database of version 3 opens, is told by its log, and takes a run', async () => {
    await copyFile(new URL('./testing/old/version3.db', import.meta.url), path)
    const store = await open()
    const [old] = await listRigs(store)
    const { rig: found } = (await findRig(store, old!.id))!
    expect(await told(store, old!.id)).toEqual(found)
    expect([found.switches['menders-1']?.label, found.banks['undertow']?.name]).toEqual(['Verse', 'Under'])
    expect(found.controllers.controller).toMatchObject({ onPower: [], entersAtPower: false })
    expect(found.runs).toEqual({})
    const steps: RunStep[] = [
      { kind: 'down', at: 1_000_000, jack: '', number: 1 },
      { kind: 'up', at: 1_080_000, jack: '', number: 1 },
    ]
    const row: Run = {
      id: 'run' as Run['id'],
      order: 1,
      name: 'Verse',
      steps,
      length: 2_000_000,
      seen: seenIn(found, playSteps(found, steps, 2_000_000)),
    }
    expect(row.seen.wire.length).toBeGreaterThan(3)
    const edit = addRow('addRun', 'runs', row)
    expect(await postEdit(store, old!.id, { id: 'new', edit }, NOW)).toMatchObject({ ok: true })
    store.kept.forget(old!.id)
    expect((await findRig(store, old!.id))!.rig.runs['run']).toEqual(row)
    await store.database.close()
  })

  // Made before jacks carried sound: the demo of then, with a switch edited.
  it('of a database of version 4 opens, is told by its log, and takes a jack for sound', async () => {
    await copyFile(new URL('./testing/old/version4.db', import.meta.url), path)
    const store = await open()
    const [old] = await listRigs(store)
    expect(old!.holds).toMatchObject({ controllers: 1, devices: 12 })
    const { rig: found } = (await findRig(store, old!.id))!
    expect(await told(store, old!.id)).toEqual(found)
    expect(found.switches['menders-1']?.label).toBe('Verse')
    const fuzz = found.devices['fuzz']!
    const role = { kind: 'audioIn', sound: 'mono', use: 'main' } as const
    const input = { id: 'input', name: 'Input', roles: [role], role: 0, factoryRole: 0 }
    const edit = editRow(found, 'changeDevice', 'devices', 'fuzz', { ports: [...fuzz.ports, input] })!
    expect(await postEdit(store, old!.id, { id: 'new', edit }, NOW)).toMatchObject({ ok: true })
    store.kept.forget(old!.id)
    expect((await findRig(store, old!.id))!.rig.devices['fuzz']!.ports).toEqual([input])
    await store.database.close()
  })

  // Made before there were pedals: the demo of then, with a switch edited.
  it('of a database of version 5 opens, is told by its log, and takes a pedal and a ride', async () => {
    await copyFile(new URL('./testing/old/version5.db', import.meta.url), path)
    const store = await open()
    const [old] = await listRigs(store)
    const { rig: found } = (await findRig(store, old!.id))!
    expect(await told(store, old!.id)).toEqual(found)
    expect(found.switches['menders-1']?.label).toBe('Verse')
    expect(found.controllers['controller']?.thinsPedals).toBe(true)
    expect([found.pedals, found.rides]).toEqual([{}, {}])
    const place = { kind: 'jack', table: 'controllers', id: 'controller', port: 'exp1' } as const
    const edits = [
      addPedal(found, 'right' as PedalId, 'Right foot', place),
      addRow('addRide', 'rides', {
        id: 'ride' as RideId,
        order: 1,
        name: 'Ride',
        on: '2026-11-26',
        ...SHIPPED_RIDES.byToe,
        moves: [...SHIPPED_RIDES.byToe.moves],
        toes: [...SHIPPED_RIDES.byToe.toes],
        meant: [...SHIPPED_RIDES.byToe.meant],
      }),
    ]
    for (const [n, edit] of edits.entries())
      expect(await postEdit(store, old!.id, { id: `new-${n}`, edit }, NOW)).toMatchObject({ ok: true })
    store.kept.forget(old!.id)
    const { rig: after } = (await findRig(store, old!.id))!
    expect(after.pedals['right']).toEqual(edits[0]!.changes[0]!.after)
    expect(after.rides['ride']).toEqual(edits[1]!.changes[0]!.after)
    await store.database.close()
  })

  // Made before there were songs: the demo of then, with a switch edited.
  it('of a database of version 6 opens, is told by its log, and takes a song, a bank that plays it and a looper', async () => {
    await copyFile(new URL('./testing/old/version6.db', import.meta.url), path)
    const store = await open()
    const [old] = await listRigs(store)
    const { rig: found } = (await findRig(store, old!.id))!
    expect(await told(store, old!.id)).toEqual(found)
    expect(found.switches['menders-1']?.label).toBe('Verse')
    expect(found.songs).toEqual({})
    expect(found.controllers['controller']).toMatchObject({ followsClock: false, tapForgetsMs: 2000 })
    expect(found.devices['echo']).toMatchObject({
      givesClock: false,
      clockHarms: false,
      tapIn: null,
      looper: null,
    })
    expect([found.banks['storm']?.songId, found.controls['echo-time']?.division]).toEqual([null, null])
    const song = addSong(found, 'storm' as SongId, 'The storm', 132)
    const after = applyEdit(found, song)
    const edits = [
      song,
      editRow(after.ok ? after.value : found, 'changeBank', 'banks', 'storm', { songId: 'storm' as SongId })!,
      editRow(found, 'setLooper', 'devices', 'echo', { looper: LOOP_CHARTS.oneSwitch })!,
      editRow(found, 'keepTime', 'controls', 'echo-time', { division: 'dottedEighth' })!,
    ]
    for (const [n, edit] of edits.entries())
      expect(await postEdit(store, old!.id, { id: `new-${n}`, edit }, NOW)).toMatchObject({ ok: true })
    store.kept.forget(old!.id)
    const { rig: now } = (await findRig(store, old!.id))!
    for (const { changes } of edits)
      for (const { table, id, after: row } of changes)
        expect(own<unknown>(now[table] as { readonly [key: string]: unknown }, id)).toEqual(row)
    await store.database.close()
  })

  // Made before songs had parts and there were shows: the demo of then, with a switch edited.
  it('of a database of version 7 opens, is told by its log, and takes parts, a show, a pin and a foot', async () => {
    await copyFile(new URL('./testing/old/version7.db', import.meta.url), path)
    const store = await open()
    const [old] = await listRigs(store)
    const { rig: found } = (await findRig(store, old!.id))!
    expect(await told(store, old!.id)).toEqual(found)
    expect(found.switches['menders-1']).toMatchObject({ label: 'Verse', isPinned: false })
    expect([found.parts, found.shows]).toEqual([{}, {}])
    expect(found.songs['storm']).toMatchObject({ tempo: 132, key: '', beatsPerBar: 4 })
    expect(found.about['about']).toMatchObject({ showId: null, player: USUAL_PLAYER })
    expect(found.controllers['controller']).toMatchObject({ columnMm: 65, rowMm: 100 })
    const show = newShow(found, 'show' as ShowId, 'Tonight')!
    const after = applyEdit(found, show)
    if (!after.ok) throw new Error(JSON.stringify(after))
    const edits = [
      show,
      editShow(after.value, 'show' as ShowId, { songIds: ['storm' as SongId, 'net' as SongId] })!,
      addPart(found, 'part' as PartId, 'storm' as SongId, Object.keys(found.sounds)[0] as SoundId),
      editRow(found, 'pinSwitch', 'switches', 'menders-6', { isPinned: true })!,
      editRow(after.value, 'setPlayer', 'about', 'about', { player: { ...USUAL_PLAYER, foot: 'left' } })!,
    ]
    for (const [n, edit] of edits.entries())
      expect(await postEdit(store, old!.id, { id: `new-${n}`, edit }, NOW)).toMatchObject({ ok: true })
    store.kept.forget(old!.id)
    const { rig: now } = (await findRig(store, old!.id))!
    expect(now.shows['show']?.songIds).toEqual(['storm', 'net'])
    expect(now.parts['part']).toMatchObject({ songId: 'storm', order: 1 })
    expect(now.switches['menders-6']?.isPinned).toBe(true)
    expect(now.about['about']).toMatchObject({ showId: 'show', player: { foot: 'left' } })
    expect(await told(store, old!.id)).toEqual(now)
    await store.database.close()
  })

  // Made before a show could be stepped on part by part: the demo of then, with a switch edited.
  it('of a database of version 8 opens, is told by its log, and takes a step in the show and a list for it', async () => {
    await copyFile(new URL('./testing/old/version8.db', import.meta.url), path)
    const store = await open()
    const [old] = await listRigs(store)
    const { rig: found } = (await findRig(store, old!.id))!
    expect(await told(store, old!.id)).toEqual(found)
    expect(found.switches['menders-1']).toMatchObject({ label: 'Verse' })
    expect(found.shows['tidewright']).toMatchObject({ stepsOn: 'sounds' })
    expect(found.controllers['controller']).toMatchObject({ keepsShow: false })
    const edits = [
      editShow(found, 'tidewright' as ShowId, { stepsOn: 'nextPart' })!,
      editRow(found, 'changeController', 'controllers', 'controller', { keepsShow: true })!,
      placeShowStep(found, 'song', 'storm' as SongId, 'The storm', 'to-storm' as SwitchId)!,
    ]
    for (const [n, edit] of edits.entries())
      expect(await postEdit(store, old!.id, { id: `new-${n}`, edit }, NOW)).toMatchObject({ ok: true })
    store.kept.forget(old!.id)
    const { rig: now } = (await findRig(store, old!.id))!
    expect(now.shows['tidewright']?.stepsOn).toBe('nextPart')
    expect(now.controllers['controller']?.keepsShow).toBe(true)
    expect(now.switches['to-storm']?.positions).toEqual([[{ kind: 'showStep', to: 'song', songId: 'storm' }]])
    expect(await told(store, old!.id)).toEqual(now)
    await store.database.close()
  })

  // Made before practice was kept: the demo of then, a show stepped on part by part, with a switch edited.
  it('of a database of version 9 opens, is told by its log, and keeps a round of practice', async () => {
    await copyFile(new URL('./testing/old/version9.db', import.meta.url), path)
    const store = await open()
    const [old] = await listRigs(store)
    const { rig: found } = (await findRig(store, old!.id))!
    expect(await told(store, old!.id)).toEqual(found)
    expect(found.switches['menders-1']).toMatchObject({ label: 'Verse' })
    expect(found.shows['tidewright']).toMatchObject({ stepsOn: 'nextPart' })
    expect(found.practices).toEqual({})
    const [from, to] = Object.keys(found.sounds) as SoundId[]
    const answers = [{ from: from!, to: to!, wrongSteps: 1, ms: 900 }]
    const edit = keepRound(found, answers, { on: '2026-11-26', newId: 'day' as PracticeId })!
    expect(await postEdit(store, old!.id, { id: 'new', edit }, NOW)).toMatchObject({ ok: true })
    store.kept.forget(old!.id)
    const { rig: now } = (await findRig(store, old!.id))!
    expect(now.practices['day']).toMatchObject({
      calls: 1,
      misses: 1,
      pairs: [{ from, to, calls: 1, misses: 1 }],
    })
    expect(await told(store, old!.id)).toEqual(now)
    await store.database.close()
  })

  // Made before things were kept that must never be so at once: the demo of then, with a switch edited.
  it('of a database of version 10 opens, is told by its log, and keeps what must never be', async () => {
    await copyFile(new URL('./testing/old/version10.db', import.meta.url), path)
    const store = await open()
    const [old] = await listRigs(store)
    const { rig: found } = (await findRig(store, old!.id))!
    expect(await told(store, old!.id)).toEqual(found)
    expect(found.switches['menders-1']).toMatchObject({ label: 'Verse' })
    expect(found.nevers).toEqual({})
    const presetId = Object.keys(found.presets)[0] as PresetId
    const row: Never = { id: 'never' as NeverId, order: 1, things: [{ kind: 'preset', presetId }] }
    const edit = addRow('addNever', 'nevers', row)
    expect(await postEdit(store, old!.id, { id: 'new', edit }, NOW)).toMatchObject({ ok: true })
    store.kept.forget(old!.id)
    const { rig: now } = (await findRig(store, old!.id))!
    expect(now.nevers).toEqual({ never: row })
    expect(await told(store, old!.id)).toEqual(now)
    await store.database.close()
  })

  // Made before anything was kept of what is in a controller: the demo of then, with a switch edited.
  it('of a database of version 11 opens, is told by its log, and keeps what was keyed in', async () => {
    await copyFile(new URL('./testing/old/version11.db', import.meta.url), path)
    const store = await open()
    const [old] = await listRigs(store)
    const { rig: found } = (await findRig(store, old!.id))!
    expect(await told(store, old!.id)).toEqual(found)
    expect(found.switches['menders-1']).toMatchObject({ label: 'Verse' })
    expect(found.keyIns).toEqual({})
    const controller = Object.values(found.controllers)[0]!
    expect(controller.keying).toBeNull()
    let made = 0
    const said = { revision: 2, at: NOW.toISOString(), newId: () => `k${++made}` as KeyInId }
    const edit = sayAllKeyedIn(found, controller, said)!
    expect(await postEdit(store, old!.id, { id: 'new', edit }, NOW)).toMatchObject({ ok: true })
    store.kept.forget(old!.id)
    const { rig: keyedIn } = (await findRig(store, old!.id))!
    expect(toldSheet(keyedIn, controller.id)).toMatchObject({ lines: [], presses: 0 })
    const menu = setKeying(keyedIn, controller.id, USUAL_KEYINGS.menu)!
    expect(await postEdit(store, old!.id, { id: 'menu', edit: menu }, NOW)).toMatchObject({ ok: true })
    store.kept.forget(old!.id)
    const { rig: now } = (await findRig(store, old!.id))!
    expect(now.controllers[controller.id]!.keying).toEqual(USUAL_KEYINGS.menu)
    expect(await told(store, old!.id)).toEqual(now)
    await store.database.close()
  })

  // Made before dumps and the logbook: the demo of then, with a switch edited.
  it('of a database of version 12 opens, is told by its log, and keeps dumps, logbook and names', async () => {
    await copyFile(new URL('./testing/old/version12.db', import.meta.url), path)
    const store = await open()
    const [old] = await listRigs(store)
    const { rig: found } = (await findRig(store, old!.id))!
    expect(await told(store, old!.id)).toEqual(found)
    expect(found.switches['menders-1']).toMatchObject({ label: 'Verse' })
    expect([found.dumps, found.notes]).toEqual([{}, {}])
    expect(Object.values(found.devices).every(({ dumping }) => dumping === null)).toBe(true)
    const [device] = Object.values(found.devices)
    const dump: Dump = {
      id: 'dump' as DumpId,
      order: 1,
      deviceId: device!.id,
      of: device!.name,
      name: 'Bank A',
      note: '',
      messages: [{ hex: 'F07D01F7', ms: 0 }],
      from: 'heard',
      revision: 2,
      at: NOW.toISOString(),
    }
    const edit = addRow('addDump', 'dumps', dump)
    expect(await postEdit(store, old!.id, { id: 'new', edit }, NOW)).toMatchObject({ ok: true })
    const dumping = editRow(found, 'setDumping', 'devices', device!.id, { dumping: UNKNOWN_DUMPING })!
    expect(await postEdit(store, old!.id, { id: 'how', edit: dumping }, NOW)).toMatchObject({ ok: true })
    store.kept.forget(old!.id)
    const { rig: now } = (await findRig(store, old!.id))!
    expect(now.dumps).toEqual({ dump })
    expect(now.devices[device!.id]!.dumping).toEqual(UNKNOWN_DUMPING)
    expect(await told(store, old!.id)).toEqual(now)
    expect(await nameRevision(store, old!.id, 1, 'As it was')).toBe(true)
    expect((await rigThen(store, old!.id, 2))!.rig).toEqual(found)
    await store.database.close()
  })

  it.each(Array.from({ length: 12 }, (_, n) => `version${n + 1}`))('a rig file of %s opens', async (name) => {
    const text = await readFile(new URL(`./testing/old/${name}.rig.json`, import.meta.url), 'utf8')
    expect(parseRigFile(text)).toMatchObject({ ok: true })
  })
})
