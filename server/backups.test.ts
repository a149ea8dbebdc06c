import { execFileSync } from 'node:child_process'
import { copyFile, mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createHash } from 'node:crypto'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { editRow, formatRigFile } from '#core/rig'
import { seeded } from '../core/base/seeded'
import { makeHistory } from '../core/history/testing/makeHistory'
import { backupContents, backupPieces, readBackup } from './backup/backupFile'
import { backupFolder } from './backup/backupFolder'
import { createBackups } from './backup/backups'
import { tidewright } from './demo/tidewright'
import { PLACES } from './testing/places'
import { ask } from './testing/ask'
import { startTestServer, type TestServer } from './testing/testServer'

let folder: string
beforeEach(async () => void (folder = await mkdtemp(join(tmpdir(), 'wire-step-'))))
afterEach(() => rm(folder, { recursive: true }))

const bytesOf = async (server: TestServer): Promise<Uint8Array> => {
  const reply = await fetch(`${server.url}/api/backup.zip`)
  return new Uint8Array(await reply.arrayBuffer())
}

const send = (server: TestServer, archive: Uint8Array) =>
  fetch(`${server.url}/api/backups/restore`, { method: 'POST', body: archive as BodyInit }).then(
    async (reply) => ({
      status: reply.status,
      json: (await reply.json()) as ReturnType<typeof JSON.parse>,
    }),
  )

/** All that can be had of every rig: files, history, facts, names of versions, deleted ones. */
async function allOf(server: TestServer): Promise<unknown> {
  const get = async (path: string) => {
    const { text, json } = await ask(`${server.url}/api/rigs/${path}`, 'GET')
    // Rows have no order of their own but in a file, where they are compared to the byte.
    return path.endsWith('.json') ? text : json
  }
  const { rigs } = (await get('')) as { rigs: { id: string }[] }
  const told = await Promise.all(
    rigs.map(async ({ id }) => ({
      id,
      rig: await get(id),
      file: await get(`${id}/files/rig.json`),
      edits: await get(`${id}/edits?since=0`),
      history: await get(`${id}/history`),
      facts: await get(`${id}/logbook`),
      named: await get(`${id}/named`),
    })),
  )
  return { told: told.sort((a, b) => (a.id < b.id ? -1 : 1)), deleted: await get('deleted') }
}

/** The demo, a rig with a history of sixty revisions and a named one, and a deleted rig. */
async function fill(server: TestServer): Promise<string> {
  const { log, rigs } = makeHistory(seeded(5), 60)
  const make = async (text: string): Promise<string> =>
    (await ask(`${server.url}/api/rigs/file`, 'POST', text)).json.id
  await make(formatRigFile(tidewright()))
  const id = await make(formatRigFile(rigs[0]!))
  for (const { revision, edit } of log.slice(1))
    await ask(`${server.url}/api/rigs/${id}/edits`, 'POST', { id: `edit-${revision}`, edit })
  await ask(`${server.url}/api/rigs/${id}/revisions/30`, 'POST', { name: 'Before the second act' })
  const gone = await make(formatRigFile(rigs[10]!))
  await ask(`${server.url}/api/rigs/${gone}`, 'DELETE')
  return id
}

describe.each(PLACES)('a backup of $name', ({ open }) => {
  it('restored on an empty machine gives the same of everything, and a second time changes nothing', async () => {
    const place = await open()
    const server = await startTestServer(place.env)
    await fill(server)
    const archive = await bytesOf(server)
    expect((await readBackup(archive)).ok).toBe(true)
    const other = await open()
    const empty = await startTestServer(other.env)
    const restored = await send(empty, archive)
    expect(restored).toMatchObject({ status: 200, json: { same: 0, beside: [] } })
    expect(restored.json.restored).toHaveLength(3)
    expect(await allOf(empty)).toEqual(await allOf(server))
    expect((await send(empty, archive)).json).toEqual({ restored: [], same: 3, beside: [] })
    expect(await allOf(empty)).toEqual(await allOf(server))
    // And the backup of what was restored holds the same files.
    const files = (zip: Uint8Array) =>
      Object.entries(unzipSync(zip)).flatMap(([name, bytes]) =>
        name === 'backup.json' ? [] : [[name, strFromU8(bytes)]],
      )
    expect(files(await bytesOf(empty))).toEqual(files(archive))
    await Promise.all([server.stop(), empty.stop()])
    await Promise.all([place.close(), other.close()])
  }, 60_000)
})

describe('restoring', () => {
  it('is also done where archives of rig files are brought in, and a spoiled backup is not taken for one of those', async () => {
    const server = await startTestServer()
    await fill(server)
    const archive = await bytesOf(server)
    const empty = await startTestServer()
    const bring = (body: Uint8Array) =>
      fetch(`${empty.url}/api/all-rigs.zip`, { method: 'POST', body: body as BodyInit }).then((reply) =>
        reply.json(),
      )
    const files = unzipSync(archive)
    const [name] = Object.keys(files).filter((one) => one.endsWith('.history.jsonl'))
    const spoiled = zipSync({ ...files, [name!]: files[name!]!.subarray(1) })
    expect(await bring(spoiled)).toMatchObject({ error: { code: 'invalidBackup' } })
    expect(((await bring(archive)) as { rigs: unknown[] }).rigs).toHaveLength(2)
    expect(await allOf(empty)).toEqual(await allOf(server))
    await Promise.all([server.stop(), empty.stop()])
  })

  it('writes nothing over: a rig that has gone on stays, a deleted one comes back', async () => {
    const server = await startTestServer()
    const id = await fill(server)
    const archive = await bytesOf(server)
    const before = (await ask(`${server.url}/api/rigs/${id}`, 'GET')).json
    const edit = editRow(before.rig, 'renameRig', 'about', 'about', { name: 'Gone on' })
    await ask(`${server.url}/api/rigs/${id}/edits`, 'POST', { id: 'later', edit })
    const now = (await ask(`${server.url}/api/rigs/${id}`, 'GET')).text
    const { rigs } = (await ask(`${server.url}/api/rigs`, 'GET')).json as {
      rigs: { id: string; name: string }[]
    }
    const demo = rigs.find((one) => one.id !== id)!
    await ask(`${server.url}/api/rigs/${demo.id}`, 'DELETE')
    const { json } = await send(server, archive)
    expect(json).toMatchObject({
      restored: [{ id: demo.id }],
      same: 1,
      beside: [{ name: 'Test rig, from a backup' }],
    })
    expect((await ask(`${server.url}/api/rigs/${id}`, 'GET')).text).toBe(now)
    const beside = (await ask(`${server.url}/api/rigs/${json.beside[0].id}/revisions/60`, 'GET')).json
    expect(beside.rig).toEqual(before.rig)
    await server.stop()
  })

  it('refuses one that was cut anywhere, and one in which a byte is another', async () => {
    const server = await startTestServer()
    await fill(server)
    const archive = await bytesOf(server)
    const empty = await startTestServer()
    const random = seeded(3)
    for (let n = 0; n < 12; n++) {
      const cut = archive.subarray(0, Math.floor(random() * archive.length))
      expect(await send(empty, cut)).toMatchObject({
        status: 422,
        json: { error: { code: 'invalidBackup' } },
      })
    }
    // A byte of a file that still unpacks: told by its sum.
    const files = unzipSync(archive)
    for (const [name, bytes] of Object.entries(files)) {
      if (name === 'backup.json') continue
      const other = Uint8Array.from(bytes)
      const at = Math.floor(random() * other.length)
      other[at] = other[at]! ^ 1
      const { status, json } = await send(empty, zipSync({ ...files, [name]: other }))
      expect([status, json.error.code, json.error.faults[0].path]).toEqual([422, 'invalidBackup', name])
      const { [name]: _, ...less } = files
      expect((await send(empty, zipSync(less))).json.error.faults).toMatchObject([{ path: name }])
    }
    expect((await send(empty, strToU8('no archive'))).json.error.code).toBe('invalidBackup')
    expect((await ask(`${empty.url}/api/rigs`, 'GET')).json.rigs).toEqual([])
    await Promise.all([server.stop(), empty.stop()])
  }, 60_000)

  it('refuses a history that does not lead to its rig, even with the right sums', async () => {
    const server = await startTestServer()
    await fill(server)
    const files = unzipSync(await bytesOf(server))
    const manifest = JSON.parse(strFromU8(files['backup.json']!))
    const one = manifest.rigs[1]
    const lines = strFromU8(files[one.history.file]!).trim().split('\n')
    const put = (text: string) => {
      const bytes = strToU8(text)
      one.history.bytes = bytes.length
      one.history.sha256 = createHash('sha256').update(bytes).digest('hex')
      return zipSync({
        ...files,
        [one.history.file]: bytes,
        'backup.json': strToU8(JSON.stringify(manifest)),
      })
    }
    const reasons = async (archive: Uint8Array) => {
      const read = await readBackup(archive)
      return read.ok ? [] : read.refusal.faults.map(({ reason }) => reason)
    }
    expect(await reasons(put(`${lines.join('\n')}\n`))).toEqual([])
    expect(await reasons(put(lines.slice(0, -1).join('\n')))).toEqual(['Its history is not whole.'])
    expect(await reasons(put([lines[1], lines[0], ...lines.slice(2)].join('\n')))).toEqual([
      'Its history cannot be read there.',
    ])
    const last = JSON.parse(lines.at(-1)!)
    const second = { ...JSON.parse(lines[1]!), revision: last.revision }
    expect(
      await reasons(put([...lines.slice(0, -1), JSON.stringify({ ...second, id: 'x' })].join('\n'))),
    ).toEqual(['Its history does not lead to it.'])
    await server.stop()
  })

  it('lets others be answered while a long history is written and read back', async () => {
    const server = await startTestServer()
    const { json } = await ask(`${server.url}/api/rigs`, 'POST', { name: 'Long' })
    // 16 edits of half a megabyte each.
    for (let n = 0; n < 16; n++) {
      const changes = Array.from({ length: 130 }, (_, k) => {
        const after = {
          id: `note-${n}-${k}`,
          at: '2026-11-01T10:00:00.000Z',
          about: null,
          name: '',
          text: 'x'.repeat(4000),
          fact: { kind: 'note' },
          revision: 1,
        }
        return { table: 'notes', id: after.id, before: null, after }
      })
      const edit = { label: 'addNote', changes }
      const reply = await ask(`${server.url}/api/rigs/${json.id}/edits`, 'POST', { id: `edit-${n}`, edit })
      expect(reply.status).toBe(200)
    }
    let others = 0
    let isDone = false
    const other = () => {
      others++
      if (!isDone) setImmediate(other)
    }
    setImmediate(other)
    const pieces: Uint8Array[] = []
    for await (const piece of backupPieces(server.store.database.db, new Date())) pieces.push(piece)
    // Once for each quarter of a megabyte at least.
    expect(others).toBeGreaterThanOrEqual(16)
    others = 0
    const read = await readBackup(Buffer.concat(pieces))
    isDone = true
    expect(read.ok).toBe(true)
    expect(others).toBeGreaterThanOrEqual(16)
    await server.stop()
  })

  it('a database of every earlier version can be backed up and read back', async () => {
    for (let n = 1; n <= 12; n++) {
      const path = join(folder, `old${n}.db`)
      await copyFile(new URL(`./testing/old/version${n}.db`, import.meta.url), path)
      const server = await startTestServer({ DATABASE_URL: `file:${path}` })
      expect([n, await readBackup(await bytesOf(server))]).toMatchObject([n, { ok: true }])
      await server.stop()
    }
  }, 60_000)
})

describe('the schedule', () => {
  const NOON = new Date('2026-11-27T12:00:00.000Z')
  const hours = (n: number) => new Date(NOON.getTime() + n * 3_600_000)

  async function opened() {
    const server = await startTestServer({ DATABASE_URL: `file:${join(folder, 'rigs.db')}` })
    const change = async (name: string) => ask(`${server.url}/api/rigs`, 'POST', { name })
    return { server, change, backups: server.backups }
  }

  it('makes one when it is due and something has changed, keeps so many, and survives a restart', async () => {
    let { server, change, backups } = await opened()
    await change('One')
    await backups.setSchedule({ everyHours: 6, keep: 3 })
    await backups.look(NOON)
    await backups.look(hours(1))
    expect((await backups.tell()).kept).toHaveLength(1)
    await change('Two')
    await backups.look(hours(5.9))
    expect((await backups.tell()).kept).toHaveLength(1)
    await server.stop()
    ;({ server, change, backups } = await opened())
    // As it was set, and the newest is still known.
    expect((await backups.tell()).schedule).toEqual({ everyHours: 6, keep: 3 })
    await backups.look(hours(5.9))
    expect((await backups.tell()).kept).toHaveLength(1)
    await backups.look(hours(6))
    expect((await backups.tell()).kept).toHaveLength(2)
    // Nothing has changed: those of before are not pushed out by the same again.
    for (let n = 12; n < 80; n += 6) await backups.look(hours(n))
    expect((await backups.tell()).kept).toHaveLength(2)
    for (let n = 100; n < 160; n += 6) {
      await change(`Rig ${n}`)
      await backups.look(hours(n))
    }
    const { kept } = await backups.tell()
    expect(kept.map(({ contents }) => contents?.rigs)).toEqual([12, 11, 10])
    await backups.setSchedule({ everyHours: 0, keep: 3 })
    await change('Never')
    await backups.look(hours(900))
    expect((await backups.tell()).kept).toEqual(kept)
    expect(kept[0]!.contents!.madeAt).toBe(hours(154).toISOString())
    await server.stop()
  }, 60_000)

  it('on a full disk says so, leaves nothing half done, keeps the older ones, and goes on when there is room', async () => {
    const { server, change } = await opened()
    await change('One')
    const { db } = server.store.database
    let room = Number.POSITIVE_INFINITY
    const real = backupFolder(join(folder, 'rigs-backups'))
    /** The disk takes so many more bytes (errno 28, POSIX). */
    const full = async function* (pieces: AsyncIterable<Uint8Array>) {
      for await (const piece of pieces) {
        room -= piece.length
        if (room < 0) throw Object.assign(new Error('no space left on device'), { code: 'ENOSPC' })
        yield piece
      }
    }
    const backups = createBackups(server.store.database, {
      ...real,
      write: (pieces, now, check) => real.write(full(pieces), now, check),
    })
    expect(await backups.make(NOON)).toMatchObject({ ok: true })
    const older = await real.read((await real.list())[0]!.file)
    await change('Two')
    room = 700
    expect(await backups.make(hours(1))).toMatchObject({
      ok: false,
      refusal: { reason: 'The disk is full. Older backups are still there. Make room on it.' },
    })
    expect(await readdir(real.path)).toHaveLength(1)
    expect(await real.read((await real.list())[0]!.file)).toEqual(older)
    expect((await backups.tell()).fault).toMatchObject({ at: hours(1).toISOString() })
    // By itself it tries again after a while.
    await backups.setSchedule({ everyHours: 1, keep: 5 })
    room = Number.POSITIVE_INFINITY
    await backups.look(hours(2))
    expect((await backups.tell()).fault).toBeNull()
    expect(await real.list()).toHaveLength(2)
    expect(await readBackup((await real.read((await real.list())[0]!.file))!)).toMatchObject({ ok: true })
    expect(db).toBeDefined()
    await server.stop()
  })

  const disk = () => join(folder, 'disk')
  const canMount = ((): boolean => {
    try {
      execFileSync('sh', ['-c', 'd=$(mktemp -d) && mount -t tmpfs -o size=64k tmpfs "$d" && umount "$d"'], {
        stdio: 'ignore',
      })
      return true
    } catch {
      return false
    }
  })()

  it.runIf(canMount)('on a disk that is really full', async () => {
    const { server, change } = await opened()
    await mkdir(disk())
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=16k', 'tmpfs', disk()])
    try {
      const real = backupFolder(disk())
      const backups = createBackups(server.store.database, real)
      await change('One')
      expect(await backups.make(NOON)).toMatchObject({ ok: true })
      const [older] = await real.list()
      await fill(server)
      expect(await backups.make(hours(1))).toMatchObject({
        ok: false,
        refusal: { reason: expect.stringContaining('full') },
      })
      expect(await readdir(disk())).toEqual([older!.file])
      expect(await readBackup((await real.read(older!.file))!)).toMatchObject({ ok: true })
    } finally {
      execFileSync('umount', [disk()])
    }
    await server.stop()
  })

  it('reads back what it wrote: what the disk spoiled is no backup, and pushes none out', async () => {
    const { server, change } = await opened()
    await change('One')
    const real = backupFolder(join(folder, 'rigs-backups'))
    const backups = createBackups(server.store.database, {
      ...real,
      write: (pieces, now, check) =>
        real.write(
          (async function* () {
            for await (const piece of pieces) yield piece.map((byte, n) => (n === 40 ? byte ^ 0xff : byte))
          })(),
          now,
          check,
        ),
    })
    await backups.setSchedule({ everyHours: 1, keep: 1 })
    await real.write(backupPieces(server.store.database.db, NOON), NOON, async () => {})
    await change('Two')
    expect(await backups.make(hours(1))).toMatchObject({
      ok: false,
      refusal: { reason: expect.stringContaining('could not be read back') },
    })
    expect(await readdir(real.path)).toHaveLength(1)
    await server.stop()
  })

  it('touches nothing in the folder that is not a backup of its own, and tells one that was cut', async () => {
    const { server, change, backups } = await opened()
    await change('One')
    await backups.make(NOON)
    const { folder: path, kept } = await backups.tell()
    const cut = 'wire-step-2026-11-26T12-00-00-000Z.zip'
    await writeFile(join(path!, cut), (await readFile(join(path!, kept[0]!.file))).subarray(0, 200))
    await writeFile(join(path!, 'letter.txt'), 'mine')
    await backups.setSchedule({ everyHours: 1, keep: 2 })
    expect((await backups.tell()).kept).toMatchObject([
      { contents: { rigs: 1 } },
      { file: cut, contents: null },
    ])
    const opened2 = await ask(`${server.url}/api/backups/${cut}`, 'POST', {})
    expect(opened2.json.error.code).toBe('invalidBackup')
    await change('Two')
    await backups.make(hours(1))
    expect((await readdir(path!)).sort()).toContain('letter.txt')
    // The oldest is the cut one: it went, the two that can be opened are there.
    expect((await backups.tell()).kept.map(({ contents }) => contents?.rigs)).toEqual([2, 1])
    for (const file of ['letter.txt', '../rigs.db', 'none.zip', '..%2Frigs.db'])
      expect((await ask(`${server.url}/api/backups/${encodeURIComponent(file)}`, 'GET')).status).toBe(404)
    await server.stop()
  })

  it('says what it cannot do where there is no folder', async () => {
    const place = await PLACES.find(({ name }) => name === 'a remote database')!.open()
    const server = await startTestServer(place.env)
    expect((await ask(`${server.url}/api/backups`, 'GET')).json).toMatchObject({ folder: null, kept: [] })
    expect((await ask(`${server.url}/api/backups`, 'POST', {})).json.error.code).toBe('noBackupFolder')
    expect(await backupContents(await bytesOf(server))).toMatchObject({ ok: true, value: { rigs: 0 } })
    await server.stop()
    await place.close()
  })
})
