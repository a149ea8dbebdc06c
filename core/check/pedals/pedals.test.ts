import { describe, expect, it } from 'vitest'
import {
  makeOff,
  makePedal,
  makeRoleOf,
  makeTarget,
  pedalBox,
  pedalCable,
  pedalController,
} from '../../pedal/testing/makePedals'
import { makeBank, makeCable, makeControl, makeDevice, makeRig, makeSwitch } from '../../rig/testing/makeRig'
import type { Rig } from '../../rig/rig'
import type { Pedal } from '../../rig/table/pedal'
import { sweepLoad } from '../../simulate/sweepLoad'
import { codes, expectFixable, requireFinding } from '../testing/makeFinding'

const controls = [
  makeControl('volume', 'preamp', 7),
  makeControl('wah', 'preamp', 20),
  makeControl('on', 'preamp', 21, { reading: { kind: 'switch', isStrict: false } }),
]

const PASSED = {
  on: '2026-11-20',
  pedal: 'sweep',
  verdict: 'pass',
  heel: 3,
  toe: 124,
  noise: 1,
  from: 5,
  to: 122,
} as const

const rigWith = (...pedals: Pedal[]): Rig =>
  makeRig({
    controllers: [pedalController()],
    devices: [makeDevice('preamp', 1), pedalBox()],
    controls,
    banks: [makeBank('one', 0)],
    pedals,
    cables: [makeCable('controller.out', 'preamp.in'), pedalCable],
  })

const volume = makeRoleOf([makeTarget('volume')])
const about = (rig: Rig) => codes(rig).filter((code) => !['silentSwitch', 'unsentControl'].includes(code))

describe('pedals', () => {
  it('that are right are found nothing of', () => {
    expect(about(rigWith(makePedal('foot', [volume], { everyMs: 10, calibration: PASSED })))).toEqual([])
  })

  it('whose jack is another thing, empty or gone are told, and a shared one is set', () => {
    const rig = rigWith(makePedal('foot', [volume]))
    const { [pedalCable.id]: _, ...cables } = rig.cables
    expect(requireFinding({ ...rig, cables }, 'pedalNoFoot')).toMatchObject({ facts: { why: 'nothingIn' } })
    const gone = makePedal('foot', [volume], {
      place: { kind: 'jack', table: 'controllers', id: 'controller', port: 'nowhere' },
    })
    expect(requireFinding(rigWith(gone), 'pedalNoFoot')).toMatchObject({ facts: { why: 'noJack' } })
    const builtIn = makePedal('foot', [volume], {
      place: { kind: 'builtIn', controllerId: 'controller' as never, number: 1 },
    })
    expect(requireFinding(rigWith(builtIn), 'pedalNoFoot')).toMatchObject({ facts: { why: 'noBuiltIn' } })
    const controller = pedalController()
    const ports = controller.ports.map((port) =>
      port.id === 'exp' ? { ...port, roles: [{ ...controller.ports[0]!.roles[0]! }, port.roles[0]!] } : port,
    )
    const shared: Rig = { ...rig, controllers: { controller: { ...controller, ports } } }
    expectFixable(shared, 'pedalNoFoot')
  })

  it('calibrated with another pedal plugged in ask to be swept again (common practice)', () => {
    const rig = rigWith(makePedal('foot', [volume], { calibration: { ...PASSED, pedal: 'old' } }))
    expect(requireFinding(rig, 'pedalAnother').facts).toEqual({
      pedal: 'foot',
      now: 'sweep',
      on: '2026-11-20',
    })
    expect(codes(rigWith(makePedal('foot', [volume], { calibration: PASSED })))).not.toContain('pedalAnother')
    expect(
      requireFinding(
        rigWith(makePedal('foot', [volume], { calibration: { ...PASSED, verdict: 'suspect' } })),
        'pedalUnfit',
      ).facts.verdict,
    ).toBe('suspect')
  })

  it('that lead what no message comes to are told, one without a channel gets one', () => {
    const rig = rigWith(makePedal('foot', [volume]))
    const deaf: Rig = {
      ...rig,
      devices: { ...rig.devices, preamp: { ...rig.devices['preamp']!, channel: 'none' } },
    }
    expect(requireFinding(deaf, 'pedalUnheard').facts.why).toBe('noChannel')
    expectFixable(deaf, 'pedalUnheard')
    const uncabled: Rig = { ...rig, cables: { [pedalCable.id]: pedalCable } }
    expect(requireFinding(uncabled, 'pedalUnheard').facts.why).toBe('noWay')
  })

  it('narrowed twice are told with what is left, and narrowed once by the fix (common practice)', () => {
    // CC 29-94 at the controller and 23-74 % at the device: half of the range at each, a quarter in the end.
    const target = makeTarget('wah', {
      number: 11 as never,
      sends: { heel: 29, toe: 94 },
      device: { heel: 29, toe: 94 },
    })
    const rig = rigWith(makePedal('foot', [makeRoleOf([target])]))
    expect(requireFinding(rig, 'narrowedTwice').facts).toMatchObject({
      controller: 51,
      device: 51,
      arrives: 26,
    })
    expectFixable(rig, 'narrowedTwice')
  })

  it('with a number that means something else, or whose every use is narrowed, get a free one', () => {
    const other = makeTarget('wah', { number: 7 as never })
    const clash = rigWith(makePedal('foot', [makeRoleOf([other])]))
    expect(requireFinding(clash, 'pedalNumber').facts).toMatchObject({
      why: 'other',
      other: 'volume',
      free: 11,
    })
    expectFixable(clash, 'pedalNumber')
    const own = makeTarget('wah', { device: { heel: 29, toe: 94 } })
    const narrowed = rigWith(makePedal('foot', [makeRoleOf([own])]))
    expect(requireFinding(narrowed, 'pedalNumber').facts).toMatchObject({ why: 'own', number: 20 })
    expectFixable(narrowed, 'pedalNumber')
  })

  it('that lead one control at once fight, in either order, and not where they never meet', () => {
    const place = { kind: 'jack', table: 'controllers', id: 'controller', port: 'foot' } as const
    const one = makePedal('left', [volume])
    const other = makePedal('right', [volume], { order: 2, place })
    for (const pedals of [
      [one, other],
      [other, one],
    ])
      expect(codes(rigWith(...pedals)).filter((code) => code === 'pedalsFight')).toHaveLength(1)
    const when = (is: 'on' | 'off') => ({ kind: 'control', controlId: 'on' as never, is }) as const
    const apart = rigWith(
      makePedal('left', [makeRoleOf(volume.targets, when('on'))]),
      makePedal('right', [makeRoleOf(volume.targets, when('off'))], { order: 2, place }),
    )
    expect(codes(apart)).not.toContain('pedalsFight')
  })

  it('that leap when their role changes are told by how much, and catch by the fix', () => {
    const wah = makeRoleOf([makeTarget('wah')], { kind: 'control', controlId: 'on' as never, is: 'on' })
    const rig = rigWith(makePedal('foot', [wah, volume]))
    expect(requireFinding(rig, 'pedalLeaps').facts).toMatchObject({
      isMost: true,
      before: '100.0 %',
      after: '0.0 %',
    })
    expectFixable(rig, 'pedalLeaps')
    // One control in both roles: just as far as the two are apart there.
    const quiet = makeRoleOf([makeTarget('volume', { sends: { heel: 44, toe: 127 } })], wah.when)
    expect(requireFinding(rigWith(makePedal('foot', [quiet, volume])), 'pedalLeaps').facts).toMatchObject({
      isMost: false,
      foot: 'heel',
    })
  })

  it('with a role behind one that is always live put that last by the fix', () => {
    const wah = makeRoleOf([makeTarget('wah')], { kind: 'control', controlId: 'on' as never, is: 'on' })
    const rig = rigWith(makePedal('foot', [volume, wah], { takeover: 'catches' }))
    expect(requireFinding(rig, 'deadRole').facts).toMatchObject({ number: 2, why: 'behindAlways' })
    expectFixable(rig, 'deadRole')
  })

  it("in a device's own jack know nothing of banks and switches, and that is told", () => {
    const place = { kind: 'jack', table: 'devices', id: 'preamp', port: 'exp' } as const
    const wah = makeRoleOf([makeTarget('wah')], { kind: 'control', controlId: 'on' as never, is: 'on' })
    const rig = rigWith(makePedal('foot', [wah, volume], { place }))
    expect(requireFinding(rig, 'deadRole').facts).toMatchObject({ number: 1, why: 'ownJack' })
  })

  it('read from one place are told, in either order', () => {
    const [one, other] = [makePedal('left', []), makePedal('right', [], { order: 2 })]
    const empty = [makeRoleOf([])]
    for (const pedals of [
      [one, other],
      [other, one],
    ])
      expect(
        codes(rigWith(...pedals.map((pedal) => ({ ...pedal, roles: empty })))).filter(
          (code) => code === 'pedalTwice',
        ),
      ).toHaveLength(1)
  })

  it('whose sweep fills the wire hold a recall up, until values are left out', () => {
    const many = makeRoleOf(Array.from({ length: 8 }, () => makeTarget('volume')))
    const rig = rigWith(makePedal('foot', [many]))
    const load = sweepLoad(rig, rig.pedals['foot']!, 0)
    // 8 targets of 128 values each at 960 us a value (M1 v4.2.1: 320 us a byte) in 250 ms: 0.98 s of wire.
    expect(load.messages).toBe(8 * 128)
    expect(load.share).toBeCloseTo((8 * 128 * 0.96) / 250, 5)
    expect(load.delayMs).toBeGreaterThan(700)
    expect(requireFinding(rig, 'pedalFloods').facts.pauseMs).toBe(10)
    expectFixable(rig, 'pedalFloods')
    const plain: Rig = { ...rig, controllers: { controller: pedalController({ thinsPedals: false }) } }
    expect(requireFinding(plain, 'pedalFloods').facts.pauseMs).toBeNull()
    expect(requireFinding(plain, 'pedalFloods')).not.toHaveProperty('fix')
    // Sixteen values of one moment take 15.4 ms whatever the pause: no pause is said to be enough.
    const sixteen = makeRoleOf(Array.from({ length: 16 }, () => makeTarget('volume')))
    const full = rigWith(makePedal('foot', [sixteen]))
    expect(requireFinding(full, 'pedalFloods').facts).toMatchObject({ thins: true, pauseMs: null })
    expect(requireFinding(full, 'pedalFloods')).not.toHaveProperty('fix')
  })

  it('that step on a switch which does the same each time only ever go one way', () => {
    const off = makeOff({ works: { kind: 'switch', switchId: 'one-1' as never } })
    const set = (value: number) => [{ kind: 'setControl', controlId: 'on', value }] as never
    const of = (positions: never[]) => ({
      ...rigWith(makePedal('foot', [volume], { off })),
      switches: { 'one-1': makeSwitch('one', 1, positions) },
    })
    expect(codes(of([set(0)]))).toContain('offOneWay')
    expect(codes(of([set(0), set(127)]))).not.toContain('offOneWay')
  })

  it.each([
    ['a value that is set', { kind: 'setControl', controlId: 'on', value: 127 }, true],
    ['a scene that is gone to', { kind: 'scene', controlId: 'on', move: 'to', value: 1 }, true],
    [
      'the next scene, which lights no lamp',
      { kind: 'scene', controlId: 'on', move: 'next', value: 0 },
      false,
    ],
  ])('that lead a control on a number of its own behind a lamp are told: %s', (_, action, isTold) => {
    const rig: Rig = {
      ...rigWith(makePedal('foot', [makeRoleOf([makeTarget('on', { number: 11 as never })])])),
      switches: { 'one-1': makeSwitch('one', 1, [[action]] as never, { label: 'On' }) },
    }
    if (isTold)
      expect(requireFinding(rig, 'pedalBehindLamp').facts).toMatchObject({ control: 'on', label: 'On' })
    else expect(codes(rig)).not.toContain('pedalBehindLamp')
  })
})
