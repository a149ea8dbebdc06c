import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { fillPresets } from '#core/chart'
import {
  BLANK_BANK,
  BLANK_SWITCH,
  applyEdit,
  editRow,
  formatRigFile,
  invertEdit,
  NO_RIG,
  removeRow,
  replay,
  type Edit,
  type Footswitch,
  type Preset,
  type Rig,
} from '#core/rig'
import { readEditsBetween } from './db/repositories/editLog'
import { tidewright } from './demo/tidewright'
import { ask } from './testing/ask'
import { PLACES } from './testing/places'
import { startTestServer, type TestServer } from './testing/testServer'

/** The demo with a device of 16,384 presets, on a controller of 250 banks: as much as players have asked for. */
function roomy(): Rig {
  const rig = tidewright()
  const { reverb } = rig.devices
  const numbering = {
    style: 'plain',
    first: 0,
    digits: 5,
    count: 16_384,
    bankSelect: 'both',
    programsPerBank: 128,
  } as const
  const controller = { ...rig.controllers.controller!, bankCount: 250 }
  return {
    ...rig,
    controllers: { controller },
    devices: { ...rig.devices, reverb: { ...reverb!, numbering } },
  }
}

/** 1,700 switches more, each recalling a preset of the device. */
function withSwitches(rig: Rig, presets: readonly Preset[]): Edit {
  const banks = Array.from({ length: 213 }, (_, n) => ({
    id: `bank${n}`,
    ...BLANK_BANK,
    controllerId: 'controller',
    index: n + 10,
    name: `Number ${n}`,
  }))
  const switches = Array.from({ length: 1700 }, (_, n): Footswitch => ({
    ...BLANK_SWITCH,
    id: `switch${n}` as never,
    bankId: `bank${Math.floor(n / 8)}` as never,
    number: (n % 8) + 1,
    label: `Part ${n}`,
    positions: [[{ kind: 'recallPreset', presetId: presets[n % presets.length]!.id }]],
  }))
  return {
    label: 'copySwitch',
    changes: [
      ...banks.map((after) => ({ table: 'banks', id: after.id, before: null, after })),
      ...switches.map((after) => ({ table: 'switches', id: after.id, before: null, after })),
    ] as unknown as Edit['changes'],
  }
}

describe.each(PLACES)('edits as large as players make them, with $name', ({ open }) => {
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

  it('9,500 presets filled, and a device removed that 1,700 switches recall: stored, logged, undone', async () => {
    let rig = roomy()
    const { json } = await ask(`${server.url}/api/rigs/file`, 'POST', formatRigFile(rig))
    const path = `${server.url}/api/rigs/${json.id}`
    let sent = 0
    const doing = async (edit: Edit) => {
      const answer = await ask(`${path}/edits`, 'POST', { id: `e${sent++}`, edit })
      expect([edit.label, answer.status, answer.json]).toEqual([
        edit.label,
        200,
        expect.objectContaining({ revision: sent + 1 }),
      ])
      const applied = applyEdit(rig, edit)
      if (!applied.ok) throw new Error(JSON.stringify(applied.refusal))
      rig = applied.value
    }
    let n = 0
    await doing(fillPresets(rig, rig.devices.reverb!, 500, 9999, 'Hall #', () => `fill${n++}` as never)!)
    const filled = Object.values(rig.presets).filter(({ id }) => id.startsWith('fill'))
    expect(filled).toHaveLength(9500)
    await doing(withSwitches(rig, filled))
    const removal = removeRow(rig, 'removeDevice', 'devices', 'reverb')!
    expect(removal.changes.length).toBeGreaterThan(9500 + 1700)
    await doing(removal)
    await doing(invertEdit(removal))
    await doing(editRow(rig, 'nameBank', 'banks', 'bank3', { name: 'After all that' })!)
    const stored = (await ask(path, 'GET')).json
    expect(stored.rig).toEqual(rig)
    const log = await readEditsBetween(server.store.database.db, json.id, 0, 1e9)
    expect(
      replay(
        log.map(({ edit }) => edit),
        NO_RIG,
      ),
    ).toEqual(rig)

    // The log is told in answers of some 4 MB, or of one edit where that alone is longer; one after the other they tell all of it.
    const answers: { revision: number; edit: Edit }[][] = []
    for (let since = 0; since < log.at(-1)!.revision; since = answers.at(-1)!.at(-1)!.revision)
      answers.push((await ask(`${path}/edits?since=${since}`, 'GET')).json.edits)
    expect(answers.flat().map(({ edit }) => edit)).toEqual(log.map(({ edit }) => edit))
    expect(answers.length).toBeGreaterThan(1)
    for (const edits of answers)
      expect(edits.length === 1 || JSON.stringify(edits).length < 4_500_000).toBe(true)
  }, 60_000)
})
