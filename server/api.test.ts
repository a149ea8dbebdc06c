import { parseMidi } from 'midi-file'
import Papa from 'papaparse'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import {
  addRow,
  applyEdit,
  change,
  editRow,
  formatRigFile,
  invertEdit,
  removeRow,
  type Edit,
  type Rig,
  USUAL_PLAYER,
} from '#core/rig'
import type { RigReply } from '#shared/contract/rigs'
import { EDIT_LIMIT, RIG_FILE_LIMIT } from '#shared/contract/rigs'
import { tidewright } from './demo/tidewright'
import { seedDemo } from './demo/seedDemo'
import { PLACES } from './testing/places'
import { startTestServer, type TestServer } from './testing/testServer'

describe.each(PLACES)('with $name', ({ open }) => {
  let server: TestServer
  let place: Awaited<ReturnType<typeof open>>
  beforeAll(async () => {
    place = await open()
    server = await startTestServer(place.env)
  })
  afterAll(async () => {
    await server.stop()
    await place.close()
  })

  async function ask(method: string, path: string, body?: unknown, headers: Record<string, string> = {}) {
    const response = await fetch(server.url + path, {
      method,
      headers,
      ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    })
    const text = await response.text()
    return {
      status: response.status,
      headers: response.headers,
      text,
      json: text.startsWith('{') ? JSON.parse(text) : null,
    }
  }

  const demo = tidewright()

  async function importDemo(): Promise<string> {
    const { json } = await ask('POST', '/api/rigs/file', formatRigFile(demo))
    return json.id
  }
  const load = async (id: string): Promise<RigReply> => (await ask('GET', `/api/rigs/${id}`)).json
  const post = (id: string, editId: string, edit: Edit) =>
    ask('POST', `/api/rigs/${id}/edits`, { id: editId, edit })
  const setChannel = (rig: Rig, channel: number): Edit =>
    editRow(rig, 'setChannel', 'devices', 'echo', { channel: channel as never })!

  describe('rigs', () => {
    it('are made, listed, read and deleted', async () => {
      const made = await ask('POST', '/api/rigs', { name: 'Empty one' })
      expect(made).toMatchObject({ status: 201, json: { revision: 1 } })
      const { id } = made.json
      expect((await ask('GET', '/api/rigs')).json.rigs).toContainEqual(
        expect.objectContaining({ id, name: 'Empty one', revision: 1 }),
      )
      expect((await load(id)).rig.about).toEqual({
        about: {
          id: 'about',
          name: 'Empty one',
          unsaid: 'leave',
          school: 'absolute',
          showId: null,
          player: USUAL_PLAYER,
        },
      })
      expect((await ask('DELETE', `/api/rigs/${id}`)).status).toBe(204)
      expect(await ask('GET', `/api/rigs/${id}`)).toMatchObject({
        status: 404,
        json: { error: { code: 'noSuchRig' } },
      })
      expect((await ask('DELETE', `/api/rigs/${id}`)).status).toBe(404)
    })

    it('begin as the demo, or as a copy with a name and a log of its own', async () => {
      const made = await ask('POST', '/api/rigs', { from: 'demo' })
      expect((await load(made.json.id)).rig).toEqual(demo)
      const copied = await ask('POST', '/api/rigs', { copyOf: made.json.id })
      expect(copied).toMatchObject({ status: 201, json: { revision: 1 } })
      const { rig } = await load(copied.json.id)
      expect(rig).toEqual({
        ...demo,
        about: { about: { ...demo.about['about'], name: 'Pit bass, The Tidewright, copy' } },
      })
      const again = await ask('POST', '/api/rigs', { copyOf: made.json.id })
      expect((await load(again.json.id)).rig.about['about']?.name).toBe('Pit bass, The Tidewright, copy 2')
      // A change of the copy leaves the rig it came from as it was.
      await post(copied.json.id, 'first', removeRow(rig, 'removeDevice', 'devices', 'echo')!)
      expect((await load(made.json.id)).rig).toEqual(demo)
      for (const { json } of [made, copied, again]) await ask('DELETE', `/api/rigs/${json.id}`)
      expect((await ask('POST', '/api/rigs', { copyOf: made.json.id })).status).toBe(404)
      expect((await ask('POST', '/api/rigs', { from: 'demo', name: 'Both' })).status).toBe(400)
      expect((await ask('POST', '/api/rigs', {})).status).toBe(400)
    })

    it('are listed with what they hold', async () => {
      const id = await importDemo()
      const { rigs } = (await ask('GET', '/api/rigs')).json
      expect(rigs.find((one: { id: string }) => one.id === id).holds).toEqual({
        controllers: 1,
        devices: Object.keys(demo.devices).length,
        sounds: Object.keys(demo.sounds).length,
        banks: Object.keys(demo.banks).length,
        switches: Object.keys(demo.switches).length,
      })
    })

    it('come back from the database as they went in', async () => {
      expect((await load(await importDemo())).rig).toEqual(demo)
    })

    it('are refused without a name', async () => {
      expect(await ask('POST', '/api/rigs', { name: ' ' })).toMatchObject({
        status: 400,
        json: { error: { code: 'badRequest', faults: [{ path: 'name' }] } },
      })
      expect((await ask('POST', '/api/rigs', '{')).json.error.code).toBe('badRequest')
    })
  })

  describe('edits', () => {
    it('are applied, counted and logged; undo is an edit like any other', async () => {
      const id = await importDemo()
      const edit = removeRow(demo, 'removeDevice', 'devices', 'echo')!
      expect((await post(id, 'first', edit)).json).toMatchObject({ revision: 2 })
      const applied = applyEdit(demo, edit)
      expect((await load(id)).rig).toEqual(applied.ok && applied.value)
      expect((await post(id, 'second', invertEdit(edit))).json).toMatchObject({ revision: 3 })
      expect((await load(id)).rig).toEqual(demo)
      const log = (await ask('GET', `/api/rigs/${id}/edits?since=1`)).json
      expect(log).toMatchObject({
        revision: 3,
        edits: [
          { revision: 2, id: 'first', edit },
          { revision: 3, id: 'second' },
        ],
      })
      expect((await ask('GET', `/api/rigs/${id}/edits?since=3`)).json.edits).toEqual([])
    })

    it('are done once, however often they are sent', async () => {
      const id = await importDemo()
      const edit = setChannel(demo, 9)
      const first = await post(id, 'same', edit)
      expect(await post(id, 'same', edit)).toMatchObject({ status: 200, json: first.json })
      expect((await load(id)).revision).toBe(2)
    })

    it('are refused with 409 and the current revision when stale', async () => {
      const id = await importDemo()
      await post(id, 'a', setChannel(demo, 9))
      expect(await post(id, 'b', setChannel(demo, 10))).toMatchObject({
        status: 409,
        json: { error: { code: 'stale', revision: 2, faults: [{ path: 'devices.echo' }] } },
      })
      expect((await load(id)).rig.devices.echo?.channel).toBe(9)
    })

    it('are refused with 422 and the path when invalid, and nothing changes', async () => {
      const id = await importDemo()
      const edit = {
        label: 'setChannel',
        changes: [
          change('devices', 'echo', demo.devices.echo!, { ...demo.devices.echo!, channel: 17 as never }),
        ],
      }
      expect(await post(id, 'a', edit as Edit)).toMatchObject({
        status: 422,
        json: {
          error: {
            code: 'invalidEdit',
            faults: [{ path: 'devices.echo.channel', reason: 'It should be at most 16.' }],
          },
        },
      })
      const dangling = addRow('addPreset', 'presets', {
        ...demo.presets['echo-off']!,
        id: 'x' as never,
        deviceId: 'ghost' as never,
      })
      expect((await post(id, 'b', dangling)).json.error.faults).toEqual([
        { path: 'presets.x.deviceId', reason: 'It names ghost in devices, which does not exist.' },
      ])
      expect(await load(id)).toMatchObject({ revision: 1, rig: demo })
    })

    it('are refused when they are no edits, too big, or for no rig', async () => {
      const id = await importDemo()
      expect(
        (await ask('POST', `/api/rigs/${id}/edits`, { id: 'x', edit: { label: 'nonsense', changes: [] } }))
          .status,
      ).toBe(400)
      expect(await ask('POST', `/api/rigs/${id}/edits`, ' '.repeat(EDIT_LIMIT + 1))).toMatchObject({
        status: 413,
        json: { error: { code: 'tooBig', limit: EDIT_LIMIT } },
      })
      expect((await post('ghost', 'x', setChannel(demo, 9))).status).toBe(404)
    })

    it('sent at the same moment are done one after another: one wins, the others are told', async () => {
      const id = await importDemo()
      const replies = await Promise.all(
        [7, 8, 9, 10].map((channel) => post(id, `at-once-${channel}`, setChannel(demo, channel))),
      )
      expect(replies.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409])
      expect((await load(id)).revision).toBe(2)
    })
  })

  describe('files out', () => {
    it('rig.json is the rig, and goes in again as a new one', async () => {
      const id = await importDemo()
      const file = await ask('GET', `/api/rigs/${id}/files/rig.json`)
      expect(file.headers.get('content-disposition')).toBe('attachment; filename="rig.json"')
      const again = await ask('POST', '/api/rigs/file', file.text)
      expect((await load(again.json.id)).rig).toEqual(demo)
    })

    // Second witness: the midi-file package.
    // Second witness: a general-purpose CSV reader.
    it('chart.csv holds a device’s chart, and is refused without a device', async () => {
      const id = await importDemo()
      const response = await fetch(`${server.url}/api/rigs/${id}/files/chart.csv?device=echo`)
      expect(response.headers.get('content-type')).toContain('text/csv')
      const { data } = Papa.parse<string[]>(await response.text(), { skipEmptyLines: true })
      expect(data[0]).toEqual(['CC', 'Name', 'Section', 'Values', 'Unit', 'Note'])
      expect(data.find(([number]) => number === 'CC 108')).toEqual([
        'CC 108',
        'Division',
        '',
        '0: Quarter, 1: Dotted eighth, 2: Eighth, 3: Triplet',
        '',
        '',
      ])
      expect((await ask('GET', `/api/rigs/${id}/files/chart.csv`)).status).toBe(400)
      expect((await ask('GET', '/api/rigs/nowhere/files/chart.csv?device=echo')).status).toBe(404)
    })

    it('switches.mid holds what the switches send', async () => {
      const id = await importDemo()
      const response = await fetch(`${server.url}/api/rigs/${id}/files/switches.mid`)
      expect(response.headers.get('content-type')).toBe('audio/midi')
      const { tracks } = parseMidi(new Uint8Array(await response.arrayBuffer()))
      const events = tracks[0]!
      const at = events.findIndex(
        (event) => event.type === 'marker' && event.text.endsWith('switch 3, Solo, hall'),
      )
      // Preset 300 of the reverb is bank 2, program 43.
      expect(events.slice(at + 1, at + 7)).toMatchObject([
        { type: 'programChange', channel: 0, programNumber: 7 },
        { type: 'programChange', channel: 3, programNumber: 0 },
        { type: 'controller', channel: 4, controllerType: 0, value: 0 },
        { type: 'controller', channel: 4, controllerType: 32, value: 2 },
        { type: 'programChange', channel: 4, programNumber: 43 },
        { type: 'programChange', channel: 5, programNumber: 1 },
      ])
      expect(events.filter(({ type }) => type === 'marker')).toHaveLength(63)
    })

    it('the schema of the rig file is served', async () => {
      const { json } = await ask('GET', '/api/rig-file.schema.json')
      expect(json).toMatchObject({
        $schema: 'https://json-schema.org/draft/2020-12/schema',
        required: ['format', 'version', 'tables'],
      })
    })
  })

  describe('files in', () => {
    const text = formatRigFile(demo)
    it.each([
      ['empty', '', '', 'It is not JSON'],
      ['truncated', text.slice(0, 900), '', 'It is not JSON'],
      [
        'of another version',
        text.replace('"version": 13', '"version": 14'),
        'version',
        'It is of version 14',
      ],
      [
        'with a channel 17',
        text.replace('"channel":4', '"channel":17'),
        'tables.devices[3].channel',
        'It should be at most 16',
      ],
      [
        'with a preset that is not there',
        text.replace('"presetId":"echo-dotted"', '"presetId":"ghost"'),
        'tables.sounds[5].cells[1].cell.presetId',
        'It names ghost',
      ],
    ])('a file %s is refused with path and reason, and nothing is written', async (_, file, path, reason) => {
      const before = (await ask('GET', '/api/health')).json.rigs
      const { status, json } = await ask('POST', '/api/rigs/file', file)
      expect(status).toBe(422)
      expect(json.error.faults[0]).toEqual({ path, reason: expect.stringContaining(reason) })
      expect((await ask('GET', '/api/health')).json.rigs).toBe(before)
    })

    it('a file that is not UTF-8 is refused, with a byte order mark it opens', async () => {
      const send = (bytes: Buffer) =>
        fetch(`${server.url}/api/rigs/file`, { method: 'POST', body: new Uint8Array(bytes) })
      const latin = Buffer.from(text.replace('Pit bass', 'Pit b\xE4ss'), 'latin1')
      const refused = await send(latin)
      expect([refused.status, (await refused.json()).error.faults]).toEqual([
        400,
        [{ path: '', reason: 'It is not UTF-8 text.' }],
      ])
      expect((await send(Buffer.from(`\uFEFF${text}`))).status).toBe(201)
    })

    it('a file of 50 MB is refused by its length', async () => {
      const { status, json } = await ask('POST', '/api/rigs/file', ' '.repeat(50_000_000))
      expect([status, json.error.code, json.error.limit]).toEqual([413, 'tooBig', RIG_FILE_LIMIT])
    })
  })

  describe('the guard', () => {
    it.each([
      ['another site', { 'sec-fetch-site': 'cross-site' }],
      ['another origin', { origin: 'http://elsewhere.test' }],
      ['no readable origin', { origin: 'null' }],
    ])('refuses a write from %s', async (_, headers) => {
      expect(await ask('POST', '/api/rigs', { name: 'x' }, headers)).toMatchObject({
        status: 403,
        json: { error: { code: 'crossSite' } },
      })
    })

    it('takes a write from its own pages', async () => {
      const headers = { origin: server.url, 'sec-fetch-site': 'same-origin' }
      expect((await ask('POST', '/api/rigs', { name: 'x' }, headers)).status).toBe(201)
    })

    it('refuses a body of unknown length', async () => {
      const body = new Blob(['{"name":"x"}']).stream()
      const response = await fetch(`${server.url}/api/rigs`, {
        method: 'POST',
        body,
        duplex: 'half',
      } as RequestInit)
      expect(response.status).toBe(411)
    })

    it('answers any other address from the table', async () => {
      expect(await ask('GET', '/api/nothing')).toMatchObject({
        status: 404,
        json: { error: { code: 'notFound' } },
      })
    })
  })

  describe('the demo', () => {
    it('is put into an empty database and never into another', async () => {
      const other = await startTestServer()
      await seedDemo(other.store)
      await seedDemo(other.store)
      const { rigs } = await (await fetch(`${other.url}/api/rigs`)).json()
      expect(rigs).toMatchObject([{ name: 'Pit bass, The Tidewright' }])
      await other.stop()
    })
  })
})
