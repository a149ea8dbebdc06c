import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { factsOf } from '#core/history'
import { formatRigFile, type Rig } from '#core/rig'
import { seeded } from '../core/base/seeded'
import { makeHistory } from '../core/history/testing/makeHistory'
import { PLACES } from './testing/places'
import { ask } from './testing/ask'
import { startTestServer, type TestServer } from './testing/testServer'

const REVISIONS = 200

describe.each(PLACES)('history with $name', ({ open }) => {
  let server: TestServer
  let place: Awaited<ReturnType<typeof open>>
  const { log, rigs } = makeHistory(seeded(18), REVISIONS)
  let id = ''
  const get = (path: string) => ask(`${server.url}/api/rigs/${path}`, 'GET')
  beforeAll(async () => {
    place = await open()
    server = await startTestServer(place.env)
    id = (await ask(`${server.url}/api/rigs/file`, 'POST', formatRigFile(rigs[0]!))).json.id
    for (const { revision, edit } of log.slice(1)) {
      const posted = await ask(`${server.url}/api/rigs/${id}/edits`, 'POST', { id: `edit-${revision}`, edit })
      expect([revision, posted.status, posted.json]).toMatchObject([revision, 200, { revision }])
    }
  }, 120_000)
  afterAll(async () => {
    await server.stop()
    await place.close()
  })

  it('gives the rig of every revision, to the byte', async () => {
    for (let n = 1; n <= REVISIONS; n++) {
      const { json } = await get(`${id}/revisions/${n}`)
      expect([n, formatRigFile(json.rig as Rig)]).toEqual([n, formatRigFile(rigs[n - 1]!)])
    }
  }, 120_000)

  it('refuses a revision there never was', async () => {
    for (const n of ['0', '-1', String(REVISIONS + 1), '1.5', 'x'])
      expect((await get(`${id}/revisions/${n}`)).json.error).toMatchObject({ code: 'noSuchRevision' })
    expect((await get('none/revisions/1')).json.error).toMatchObject({ code: 'noSuchRig' })
  })

  it('tells every edit with the rows it changed, the newest first, page by page', async () => {
    const told: { revision: number; label: string; rows: { table: string; id: string }[]; more: number }[] =
      []
    for (let before: number | null = null; ;) {
      const { json }: { json: { revisions: typeof told } } = await get(
        `${id}/history${before === null ? '' : `?before=${before}`}`,
      )
      if (json.revisions.length === 0) break
      told.push(...json.revisions)
      before = json.revisions.at(-1)!.revision
    }
    expect(told.map(({ revision }) => revision)).toEqual(log.map(({ revision }) => revision).toReversed())
    for (const { revision, label, rows, more } of told) {
      const { edit } = log[revision - 1]!
      expect(label).toBe(edit.label)
      expect(rows.length + more).toBe(edit.changes.length)
      // How a rig begins is told in the order of its file.
      if (revision > 1)
        expect(rows.map((row) => row.id)).toEqual(edit.changes.slice(0, 8).map((change) => change.id))
    }
  })

  it('tells the facts of the log, all and since a revision', async () => {
    const { json } = await get(`${id}/logbook`)
    const at = (one: object) => ({ ...one, at: '' })
    expect(json.facts.map(at)).toEqual(log.flatMap(factsOf).map(at))
    const since = await get(`${id}/logbook?since=120`)
    expect(since.json.facts).toEqual(json.facts.filter((one: { revision: number }) => one.revision > 120))
  })

  it('keeps the name of a version', async () => {
    const name = (n: number, text: string) =>
      ask(`${server.url}/api/rigs/${id}/revisions/${n}`, 'POST', { name: text })
    expect((await name(20, ' Before the second act ')).status).toBe(204)
    expect((await name(40, 'Opening night')).status).toBe(204)
    expect((await get(`${id}/named`)).json.named).toMatchObject([
      { revision: 40, name: 'Opening night' },
      { revision: 20, name: 'Before the second act' },
    ])
    await name(40, '')
    expect((await get(`${id}/named`)).json.named).toHaveLength(1)
    expect((await name(40, 'x'.repeat(61))).json.error.code).toBe('badRequest')
    expect((await name(999, 'x')).json.error.code).toBe('noSuchRevision')
  })

  it('brings a deleted rig back with all of its history, and forgets only what was deleted', async () => {
    const act = (path: string) => ask(`${server.url}/api/rigs/${id}/${path}`, 'POST', {})
    const before = await get(id)
    const history = await get(`${id}/history`)
    expect((await act('bring-back')).json.error.code).toBe('noSuchRig')
    expect((await act('forget')).json.error.code).toBe('noSuchRig')
    await ask(`${server.url}/api/rigs/${id}`, 'DELETE')
    for (const path of [id, `${id}/history`, `${id}/logbook`, `${id}/revisions/3`, `${id}/files/rig.json`])
      expect([path, (await get(path)).json.error.code]).toEqual([path, 'noSuchRig'])
    expect(
      (await ask(`${server.url}/api/rigs/${id}/edits`, 'POST', { id: 'late', edit: log[1]!.edit })).json.error
        .code,
    ).toBe('noSuchRig')
    expect((await get('deleted')).json.rigs).toMatchObject([{ id, name: 'Test rig', revision: REVISIONS }])
    expect((await get('')).json.rigs).toEqual([])
    // The second press does nothing more.
    expect((await ask(`${server.url}/api/rigs/${id}`, 'DELETE')).json.error.code).toBe('noSuchRig')
    expect((await act('bring-back')).status).toBe(204)
    expect((await get(id)).json).toEqual(before.json)
    expect((await get(`${id}/history`)).json).toEqual(history.json)
    expect((await get('deleted')).json.rigs).toEqual([])
    await ask(`${server.url}/api/rigs/${id}`, 'DELETE')
    expect((await act('forget')).status).toBe(204)
    expect((await act('bring-back')).json.error.code).toBe('noSuchRig')
    expect((await get('deleted')).json.rigs).toEqual([])
  })
})
