import { describe, expect, it } from 'vitest'
import { BEFORE_SHOW, beforeShow } from './beforeShow'
import { makePedal, makeRoleOf, makeTarget } from '../pedal/testing/makePedals'
import { editRow } from '../rig/edits/editRow'
import { makeCable, makeControl, makeRig, makeSwitch, smallRig } from '../rig/testing/makeRig'
import type { Rig } from '../rig/rig'
import { PHASES } from './checklist'
import { clearTicks, lostTick, tickOf, toggleTick } from './ticks'
import { applied, makeShowRig } from '../show/testing/makeShowRig'

const keys = (rig: Rig) => beforeShow(rig).map(({ key }) => key.slice(BEFORE_SHOW.length))
const line = (rig: Rig, key: string) => beforeShow(rig).find((one) => one.key === BEFORE_SHOW + key)!
const tick = (rig: Rig, key: string) =>
  applied(
    rig,
    toggleTick(rig, line(rig, key), {
      newId: `m-${key.replaceAll('/', '-')}` as never,
      revision: 3,
      at: '2026-11-26T18:00:00.000Z',
    }),
  )

describe('before the show', () => {
  it('goes through cables, power, start, volumes, saving, a copy and a first sound, in the order of the checklist', () => {
    const rig = smallRig()
    expect(keys(rig)).toEqual([
      'cables',
      'switchOn',
      'start',
      'volume',
      'save/controller',
      'save/preamp',
      'save/echo',
      'copy',
    ])
    const phases = beforeShow(rig).map(({ phase }) => PHASES.indexOf(phase))
    expect(phases).toEqual([...phases].sort((a, b) => a - b))
    expect(line(rig, 'cables').task).toMatchObject({ count: 2, power: 0 })
    expect(new Set(beforeShow(rig).map(({ key }) => key)).size).toBe(beforeShow(rig).length)
    expect(beforeShow(makeRig({ controllers: [] }))).toEqual([])
  })

  it('names the first part of the show that is on and where it is', () => {
    const rig = makeShowRig(2)
    const { task } = line(rig, 'first')
    expect(task.kind).toBe('firstPart')
    if (task.kind !== 'firstPart') return
    expect(Object.values(rig.sounds).map(({ name }) => name)).toContain(task.sound)
    expect(keys({ ...rig, shows: {} })).not.toContain('first')
    // Cables through the air are no cables.
    const air = makeCable('controller.out', 'amp.in', { lead: 'air' })
    expect(keys({ ...rig, cables: { [air.id]: air } } as Rig)).not.toContain('cables')
  })

  it('names tuners that switches work, and pedals that lead a volume', () => {
    const small = smallRig()
    const rig = {
      ...small,
      controls: {
        mute: makeControl('mute', 'preamp', 20, { name: 'Tuner' }),
        volume: makeControl('volume', 'preamp', 7, { name: 'Volume' }),
        mix: makeControl('mix', 'echo', 21, { name: 'Mix' }),
      },
      pedals: {
        right: makePedal('right', [makeRoleOf([makeTarget('volume')])], { name: 'Right foot' }),
        left: makePedal('left', [makeRoleOf([makeTarget('mix')])], { name: 'Left foot' }),
      },
    } as unknown as Rig
    const bank = Object.keys(rig.banks)[0]!
    const tuner = makeSwitch(bank, 8, [[]], {
      longPress: [{ kind: 'tuner', controlId: 'mute' as never, does: 'change' }],
    })
    expect(keys(rig)).not.toContain('tuner')
    const tuned = { ...rig, switches: { ...rig.switches, [tuner.id]: tuner } } as Rig
    expect(line(tuned, 'tuner').task).toEqual({
      kind: 'tunerOff',
      devices: [rig.devices['preamp']!.name],
    })
    expect(line(rig, 'volume').task).toEqual({ kind: 'volumes', pedals: ['Right foot'] })
  })

  it('keeps a tick on saving until what is saved there changes, and only there', () => {
    const rig = tick(tick(tick(smallRig(), 'save/controller'), 'save/echo'), 'save/preamp')
    const holds = (one: Rig) =>
      ['save/controller', 'save/preamp', 'save/echo'].map((key) => tickOf(one, line(one, key)) !== null)
    expect(holds(rig)).toEqual([true, true, true])
    // Where a box lies on the map, or a bank's colour, is keyed in nowhere.
    expect(
      holds(applied(rig, editRow(rig, 'moveBox', 'devices', 'echo', { spot: { x: 900, y: 700 } as never }))),
    ).toEqual([true, true, true])
    const [preset] = Object.values(rig.presets).filter(({ deviceId }) => deviceId === 'echo')
    const renamed = applied(rig, editRow(rig, 'namePreset', 'presets', preset!.id, { name: 'Another' }))
    expect(holds(renamed)).toEqual([false, true, false])
    expect(lostTick(renamed, line(renamed, 'save/echo'))).toMatchObject({ revision: 3 })
    const channel = applied(rig, editRow(rig, 'setChannel', 'devices', 'echo', { channel: 9 as never }))
    expect(holds(channel)).toEqual([false, true, false])
    // Made in another order it is the same rig.
    const turned = {
      ...rig,
      devices: Object.fromEntries(
        Object.entries(rig.devices).map(([id, row]) => [
          id,
          Object.fromEntries(Object.entries(row).toReversed()),
        ]),
      ),
      presets: Object.fromEntries(Object.entries(rig.presets).toReversed()),
      controllers: Object.fromEntries(Object.entries(rig.controllers).toReversed()),
    } as Rig
    expect(beforeShow(turned).map(({ said }) => said)).toEqual(beforeShow(rig).map(({ said }) => said))
  })

  it('is cleared at once, the first stomp’s ticks left as they are', () => {
    const rig = tick(tick(smallRig(), 'cables'), 'start')
    const other = { ...Object.values(rig.marks)[0]!, id: 'other' as never, line: 'switchOn' }
    const both = { ...rig, marks: { ...rig.marks, other } } as Rig
    expect(Object.keys(applied(both, clearTicks(both, BEFORE_SHOW)).marks)).toEqual(['other'])
    expect(clearTicks(smallRig(), BEFORE_SHOW)).toBeNull()
  })
})
