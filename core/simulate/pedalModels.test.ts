import * as fc from 'fast-check'
import { expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import { own } from '../base/own'
import { makeOff, makePedal, makeTarget } from '../pedal/testing/makePedals'
import { makePort, makeRole, makeCable, makeDevice } from '../rig/testing/makeRig'
import { placeKey, switchesHere } from '../rig/switchesHere'
import { rigProblems } from '../rig/integrity'
import type { Rig } from '../rig/rig'
import type { AutoOff, Pedal, PedalId, PedalRole } from '../rig/table/pedal'
import type { SwitchId } from '../rig/table/switch'
import { deviceState, floorAtPowerOn, still, type StepResult } from './floor'
import { rigsWithTime } from './testing/makeFloors'
import { PlainFloor, TICK } from './testing/plainFloor'
import { advance, step } from './step'

const id = 'foot' as PedalId
const CONTROLS = ['a-x', 'a-y', 'b-x', 'b-y', 'c-x', 'c-y']
const step7 = fc.integer({ min: 0, max: 127 })

const anyWhen: fc.Arbitrary<PedalRole['when']> = fc.oneof(
  fc.constant({ kind: 'layer' }),
  fc.constantFrom(['one'], ['two'], ['one', 'two']).map((bankIds) => ({ kind: 'banks', bankIds })),
  fc.record({
    kind: fc.constant('control'),
    controlId: fc.constantFrom(...CONTROLS),
    is: fc.constantFrom('on', 'off'),
  }),
  fc.constantFrom('one-1', 'two-1').map((switchId) => ({ kind: 'held', switchId })),
) as never

const anyRole = (when: fc.Arbitrary<PedalRole['when']>): fc.Arbitrary<PedalRole> =>
  fc.record({
    name: fc.constant(''),
    when,
    targets: fc.array(
      fc
        .tuple(
          fc.constantFrom(...CONTROLS),
          step7,
          step7,
          fc.integer({ min: 0, max: 40 }),
          fc.integer({ min: 60, max: 100 }),
        )
        .map(([controlId, heel, toe, from, to]) => makeTarget(controlId, { sends: { heel, toe }, from, to })),
      { maxLength: 3 },
    ),
  })

const anyOff: fc.Arbitrary<AutoOff | null> = fc.option(
  fc
    .record({
      kind: fc.constantFrom('heel', 'toe', 'still'),
      delayMs: fc.constantFrom(1, 30, 120, 300),
      zone: fc.constantFrom(0, 3, 10),
      works: fc.oneof(
        fc.constantFrom(...CONTROLS).map((controlId) => ({ kind: 'control', controlId, off: 0, on: 127 })),
        fc.constantFrom('one-2', 'two-2').map((switchId) => ({ kind: 'switch', switchId })),
      ),
    })
    .map((fields) => makeOff(fields as never)),
)

const anyPedal: fc.Arbitrary<Pedal> = fc
  .record({
    before: fc.array(anyRole(anyWhen), { maxLength: 2 }),
    otherwise: anyRole(fc.constant({ kind: 'always' })),
    takeover: fc.constantFrom('leaps' as const, 'catches' as const),
    everyMs: fc.constantFrom(0, 5, 20),
    off: anyOff,
  })
  .map(({ before, otherwise, ...fields }) => makePedal(id, [...before, otherwise], fields))

const rigs: fc.Arbitrary<Rig> = fc.tuple(rigsWithTime, anyPedal).map(([rig, pedal]) => {
  const controller = rig.controllers['controller']!
  const sweep = makeDevice('sweep', 'none', {
    kind: 'pedal',
    order: 9,
    ports: [makePort('plug', makeRole('expressionOut'))],
  })
  const cable = makeCable('sweep.plug', 'controller.exp', { lead: 'trs' })
  return {
    ...rig,
    controllers: {
      controller: { ...controller, ports: [...controller.ports, makePort('exp', makeRole('expressionIn'))] },
    },
    devices: { ...rig.devices, sweep },
    cables: { ...rig.cables, [cable.id]: cable },
    pedals: { [id]: pedal },
  }
})

/** After so many ms a foot on a switch, down or up, or on the pedal. */
const anyFeet = fc.array(
  fc.record({
    after: fc.oneof(fc.integer({ min: 0, max: 12 }), fc.integer({ min: 12, max: 250 })),
    does: fc.oneof(
      { weight: 1, arbitrary: fc.integer({ min: 1, max: 3 }).map((number) => ({ number })) },
      { weight: 3, arbitrary: fc.oneof(step7, fc.constantFrom(0, 1, 2, 126, 127)).map((to) => ({ to })) },
    ),
  }),
  { minLength: 3, maxLength: 24 },
)

const TAIL = 700

function compare(rig: Rig, feet: typeof anyFeet extends fc.Arbitrary<infer Feet> ? Feet : never): number {
  const plain = new PlainFloor(rig, (deviceId) =>
    rig.controllers['controller']!.separateOutputs ? (deviceId === 'c' ? 'out2' : 'out') : '',
  )
  let last: StepResult = still(floorAtPowerOn(rig))
  const arrived: { end: number; bytes: number[] }[] = []
  const take = (result: StepResult) => {
    for (const { end, bytes } of result.wire) arrived.push({ end, bytes: [...bytes] })
    last = result
  }
  const inOrder = (all: readonly { end: number; bytes: readonly number[] }[]) =>
    all
      .map(({ end, bytes }) => `${end} ${bytes.join(' ')}`)
      .sort((a, b) => Number.parseInt(a) - Number.parseInt(b) || a.localeCompare(b))
  const downOn = new Map<number, SwitchId>()
  const coming = [...feet]
  let nextAt = coming[0]!.after
  for (let ms = 0, end = Infinity; ms <= end; ms++) {
    const now = ms * 1000
    for (let at = now - 1000 + TICK; at <= now; at += TICK) if (at >= 0) plain.tick(at)
    take(advance(rig, last.state, now))
    for (; coming.length > 0 && nextAt === ms; nextAt += coming[0]?.after ?? 0) {
      const { does } = coming.shift()!
      if ('to' in does) {
        take(step(rig, last.state, { kind: 'pedal', pedalId: id, position: does.to, at: now }))
        plain.pedalTo(does.to)
        continue
      }
      const held = downOn.get(does.number)
      const { bankId, layer } = last.state.known
      const footswitch =
        held === undefined
          ? switchesHere(rig, bankId!, layer).get(placeKey({ jack: '', number: does.number }))
          : own(rig.switches, held)
      if (!footswitch) continue
      if (held === undefined) downOn.set(does.number, footswitch.id)
      else downOn.delete(does.number)
      const kind = held === undefined ? 'press' : 'release'
      take(step(rig, last.state, { kind, switchId: footswitch.id, at: now }))
      if (held === undefined) plain.down(footswitch)
      else plain.up(footswitch)
    }
    if (coming.length === 0 && end === Infinity) end = ms + TAIL
    const { known, pedals } = last.state
    expect(
      {
        bank: known.bankId,
        layer: known.layer,
        values: Object.fromEntries(Object.entries(known.values).sort()),
        sweeping: Object.keys(known.running).sort(),
        isOff: pedals[id]?.isOff ?? false,
        arrived: inOrder(arrived),
      },
      `at ${ms} ms`,
    ).toEqual({
      bank: plain.bank,
      layer: plain.layer,
      values: Object.fromEntries([...plain.values].sort()),
      sweeping: [...plain.sweeps.keys()].map((controlId) => `sweep/${controlId}`).sort(),
      isOff: plain.isPedalOff,
      arrived: inOrder(plain.arrived),
    })
  }
  for (const { id: deviceId } of Object.values(rig.devices))
    expect(Object.entries(deviceState(last.state, deviceId).controls).sort()).toEqual(
      [...(plain.devices.get(deviceId)?.values ?? [])].sort(),
    )
  return arrived.length
}

it('the simulator and a second, plainly written floor agree at every millisecond over generated pedals, switches and feet', () => {
  let messages = 0
  fc.assert(
    fc.property(rigs, anyFeet, (rig, feet) => {
      messages += compare(rig, feet)
    }),
    generated(300, 12_2026),
  )
  expect(messages).toBeGreaterThan(runs(2000))
})

it('the generated rigs are sound rigs', () => {
  fc.assert(
    fc.property(rigs, (rig) => {
      expect(rigProblems(rig)).toEqual([])
    }),
    generated(100, 3),
  )
})
