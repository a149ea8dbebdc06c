import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import { own } from '../base/own'
import type { Rig } from '../rig/rig'
import { placeKey, switchesHere } from '../rig/switchesHere'
import type { Footswitch } from '../rig/table/switch'
import { makeBank, makeSwitch } from '../rig/testing/makeRig'
import type { Action } from '../rig/table/action'
import { makePedal, makeRoleOf, makeTarget } from '../pedal/testing/makePedals'
import { floorRig, onFloor } from '../simulate/testing/makeFloor'
import { rigProblems } from '../rig/integrity'
import type { FloorState } from '../simulate/floor'
import { lampTruth } from '../simulate/lampTruth'
import { rigsWithTime } from '../simulate/testing/makeFloors'
import { PlainFloor, TICK } from '../simulate/testing/plainFloor'
import { startFloor } from '../simulate/step'
import { lampRigs } from './testing/makeLampRigs'
import { lampsToProve, lampVerdict, type LampVerdict } from './lampLies'
import { atRest, makeMove, movesAt, restingStart, stepsOfMoves, type CalmMove } from './moves'

/** Runs of so many moves are all made. */
const DEPTH = 4
const FLOORS_MAX = 2500

/** The whole floor as text, but for time and for how often things were done. */
function floorText({ known, devices, feet }: FloorState): string {
  const { taps: _, tempo: __, running: ___, ...rest } = known
  const sorted = (one: object) => Object.entries(one).sort(([a], [b]) => (a < b ? -1 : 1))
  return JSON.stringify([
    { ...rest, next: sorted(known.next).filter(([, n]) => n !== 0), done: sorted(known.done) },
    sorted(known.values),
    sorted(known.presets),
    Object.entries(devices).map(([id, { lastControl: _l, fired: _f, refused: _r, ...device }]) => [
      id,
      { ...device, controls: sorted(device.controls) },
    ]),
    Object.entries(feet).map(([id, foot]) => [id, foot.fired]),
  ])
}

/** For each lamp the fewest moves after which it lies, found by making every run; and how deep that could be done. */
function byForce(rig: Rig): { readonly depths: ReadonlyMap<string, number>; readonly looked: number } {
  const depths = new Map<string, number>()
  const lamps = Object.values(rig.switches)
  const look = (state: FloorState, depth: number) => {
    for (const one of lamps)
      if (!depths.has(one.id) && lampTruth(rig, one, state)?.verdict === 'lies') depths.set(one.id, depth)
  }
  const start = atRest(rig, startFloor(rig).state).state
  look(start, 0)
  const seen = new Set([floorText(start)])
  let floors = [start]
  for (let depth = 1; depth <= DEPTH; depth++) {
    const next: FloorState[] = []
    for (const state of floors)
      for (const { move, footswitch } of movesAt(rig, state)) {
        const after = makeMove(rig, state, move, footswitch).state
        const text = floorText(after)
        if (seen.has(text)) continue
        seen.add(text)
        look(after, depth)
        next.push(after)
      }
    floors = next
    if (floors.length > FLOORS_MAX) return { depths, looked: depth }
  }
  return { depths, looked: DEPTH }
}

/** A failing rig in few words. */
function short(out: fc.RunDetails<[Rig]>): void {
  if (!out.failed) return
  const [rig] = out.counterexample!
  const lists = Object.values(rig.switches).map(
    ({ id, positions, release, longPress, doublePress, group, lamps }) =>
      JSON.stringify([id, positions, release, longPress, doublePress, group, lamps]),
  )
  const { controls, presets, devices, banks, controllers } = rig
  throw new Error(
    [
      String(out.errorInstance),
      ...lists,
      JSON.stringify(Object.values(controls).map(({ id, reading, map }) => [id, reading.kind, map])),
      JSON.stringify(Object.values(presets).map(({ id, recalls, entered }) => [id, recalls, entered])),
      JSON.stringify(Object.values(devices).map(({ id, powerOn, deafMs }) => [id, powerOn, deafMs])),
      JSON.stringify(Object.values(banks).map(({ id, enter }) => [id, enter])),
      JSON.stringify(
        Object.values(controllers).map(({ waitMs, onBank, keepsSwitches }) => [
          waitMs,
          onBank,
          keepsSwitches,
        ]),
      ),
      JSON.stringify(Object.keys(rig.cables)),
    ].join('\n'),
  )
}

/** What was told of the lamps of a rig, held against every run of a few moves. */
function compared(rig: Rig): LampVerdict[] {
  const { depths, looked } = byForce(rig)
  const verdicts = lampsToProve(rig).map((footswitch) => {
    const verdict = lampVerdict(rig, footswitch)
    const forced = depths.get(footswitch.id)
    const said = verdict.kind === 'lies' ? verdict.lie.moves.length : verdict.kind
    // Where messages may be lost, too much may decide whether they are: then it is not known, and says so.
    if (verdict.kind === 'unknown') {
      if (forced !== undefined) expect(verdict.atLeast).toBeLessThanOrEqual(forced)
      return verdict
    }
    if (forced !== undefined) expect([footswitch.id, said]).toEqual([footswitch.id, forced])
    else if (verdict.kind === 'lies') expect(verdict.lie.moves.length).toBeGreaterThan(looked)
    return verdict
  })
  // A switch no lamp of which is looked at never lies.
  const looked_ = new Set(lampsToProve(rig).map(({ id }) => id as string))
  expect([...depths.keys()].filter((id) => !looked_.has(id))).toEqual([])
  return verdicts
}

/** A run played on the tests' own floor, foot by foot: what it has at the end. */
function playedPlainly(rig: Rig, moves: readonly CalmMove[]): PlainFloor {
  const { separateOutputs } = Object.values(rig.controllers)[0]!
  const plain = new PlainFloor(rig, (deviceId) =>
    separateOutputs ? (deviceId === 'c' ? 'out2' : 'out') : '',
  )
  const { steps, length } = stepsOfMoves(rig, restingStart(rig), moves)
  let at = 0
  const until = (end: number) => {
    while (at <= end) {
      // While nothing is under way, time passes at once.
      if (!plain.isBusyBefore(end + 1)) at = end - (end % TICK)
      plain.tick(at)
      at += TICK
    }
  }
  const down = new Map<number, Footswitch>()
  for (const one of steps) {
    until(one.at)
    if (one.kind !== 'down' && one.kind !== 'up') throw new Error(`${one.kind} is not a foot`)
    const footswitch =
      one.kind === 'up'
        ? down.get(one.number)!
        : switchesHere(rig, plain.bank, plain.layer).get(placeKey(one))!
    down.set(one.number, footswitch)
    if (one.kind === 'down') plain.down(footswitch)
    else plain.up(footswitch)
  }
  until(length)
  return plain
}

describe('lamps that can lie', () => {
  it('each shortest run makes its lamp lie, and no shorter one does: every run made on generated rigs', () => {
    const count = { lies: 0, holds: 0, unknown: 0, deep: 0, travels: 0 }
    fc.assert(
      fc.property(lampRigs, (rig) => {
        for (const verdict of compared(rig)) {
          count[verdict.kind]++
          if (verdict.kind === 'lies' && verdict.lie.moves.length > 2) count.deep++
        }
        if (JSON.stringify(rig.switches).includes('"travel"')) count.travels++
      }),
      { ...generated(700, 10_2026), reporter: short },
    )
    // Not because nothing was there to be found, nor because everything was.
    expect(count.lies).toBeGreaterThan(runs(300))
    expect(count.holds).toBeGreaterThan(runs(300))
    expect(count.deep).toBeGreaterThan(runs(20))
    expect(count.travels).toBeGreaterThan(runs(300))
    // Of 2,600 lamps.
    expect(count.unknown).toBeLessThan(runs(110))
  })

  it('the same on rigs of another kind, and each run told shows its lie on a second floor', () => {
    const count = { lies: 0, holds: 0, unknown: 0, deep: 0 }
    fc.assert(
      fc.property(rigsWithTime, (rig) => {
        for (const verdict of compared(rig)) {
          count[verdict.kind]++
          if (verdict.kind !== 'lies') continue
          const { moves, claim, isLit } = verdict.lie
          if (moves.length > 2) count.deep++
          const plain = playedPlainly(rig, moves)
          const device = plain.devices.get(
            'deviceId' in claim ? claim.deviceId : own(rig.controls, claim.controlId)!.deviceId,
          )!
          if (claim.kind === 'preset') {
            expect(device.preset === claim.index).toBe(!isLit)
            if (isLit) expect(plain.presets.get(claim.deviceId)).toBe(claim.index)
          } else if (claim.kind === 'value' || claim.kind === 'on') {
            const { reading } = own(rig.controls, claim.controlId)!
            const isOn = (value: number) => (reading.kind === 'switch' ? value > 63 : value > 0)
            const value = device.values.get(claim.controlId) ?? 0
            const isSo =
              claim.kind === 'on'
                ? isOn(value)
                : reading.kind === 'switch' || reading.kind === 'toggle'
                  ? isOn(value) === isOn(claim.value)
                  : value === claim.value
            expect(isSo).toBe(!isLit)
          } else throw new Error('These rigs have no contacts')
        }
      }),
      { ...generated(100, 11_2026), reporter: short },
    )
    expect(count.lies).toBeGreaterThan(runs(50))
    expect(count.holds).toBeGreaterThan(runs(20))
    expect(count.deep).toBeGreaterThan(runs(5))
  })

  it('a tuner’s lamp, which goes by what was done to any tuner: every run made on generated rigs', () => {
    const two = (action: Action): Action[] => [
      action,
      { ...action, ...('controlId' in action && { controlId: onFloor('strict') }) } as Action,
    ]
    const actions = fc.constantFrom<Action>(
      ...(['change', 'on', 'off'] as const).flatMap((does) =>
        two({ kind: 'tuner', controlId: onFloor('tuner'), does }),
      ),
      ...[0, 127].flatMap((value) => two({ kind: 'setControl', controlId: onFloor('tuner'), value })),
      ...two({ kind: 'alternateControl', controlId: onFloor('tuner'), a: 127, b: 0 }),
      { kind: 'recallPreset', presetId: onFloor('dotted') },
      { kind: 'recallPreset', presetId: onFloor('long') },
    )
    const list = fc.array(actions, { minLength: 1, maxLength: 2 })
    const rigs = fc
      .tuple(
        fc.array(fc.array(list, { minLength: 1, maxLength: 2 }), { minLength: 2, maxLength: 3 }),
        fc.nat(2),
      )
      .map(([switches, recalled]): Rig => {
        const rig = floorRig(
          { positions: switches[0]! },
          { more: switches.slice(1).map((positions, n) => makeSwitch('one', n + 2, positions)) },
        )
        // A preset that puts the tuner somewhere, as a recall does.
        const recalls = [{ controlId: onFloor('tuner'), value: recalled === 1 ? 0 : 127 }]
        const dotted = { ...rig.presets['dotted']!, recalls: recalled === 0 ? [] : recalls }
        return { ...rig, presets: { ...rig.presets, dotted } }
      })
    const kinds = new Set<string>()
    short(
      fc.check(
        fc.property(rigs, (rig) => {
          for (const { kind } of compared(rig)) kinds.add(kind)
        }),
        generated(300, 31_0008),
      ),
    )
    expect([...kinds].sort()).toEqual(['holds', 'lies'])
  })

  it('sees what a bank does that only the controller itself turns to', () => {
    const set: Action = { kind: 'setControl', controlId: onFloor('on'), value: 127 }
    const alternate: Action = { kind: 'alternateControl', controlId: onFloor('on'), a: 127, b: 0 }
    const raw: Action = { kind: 'raw', deviceId: onFloor('echo'), hex: 'B3 15 7F' }
    const rig = floorRig(
      { positions: [[set]] },
      {
        controller: { keepsSwitches: 2 },
        // From nothing this agrees with itself: on, and on again. After a press it turns off what is then switched on.
        banks: [makeBank('one', 0, 'One'), makeBank('two', 1, 'Two', { enter: [alternate, raw] })],
      },
    )
    const verdict = lampVerdict(rig, rig.switches['one-1']!)
    const { depths } = byForce(rig)
    expect(verdict.kind === 'lies' && verdict.lie.moves.length).toBe(depths.get('one-1'))
    expect(depths.get('one-1')).toBe(2)
  })

  // Raw bytes are a switch's like any other, whatever number a chart has a control on (M1 v4.2.1, table III: CC 100 and 101
  // are the standard's only where parameters are chosen; a pedal's number is the device's own setting, common practice).
  it.each([
    ['a number of the standard', 100, 'B3 64 00', {}],
    [
      'a number that a pedal was given on the device',
      21,
      'B3 0B 00',
      { pedals: { foot: makePedal('foot', [makeRoleOf([makeTarget('on', { number: 11 as never })])]) } },
    ],
  ])('sees that raw bytes move a control on %s behind its lamp', (_, number, hex, more) => {
    const alternate: Action = { kind: 'alternateControl', controlId: onFloor('on'), a: 127, b: 0 }
    const plain = floorRig(
      { positions: [[alternate]] },
      { more: [makeSwitch('one', 2, [[{ kind: 'raw', deviceId: onFloor('echo'), hex }]])] },
    )
    const on = {
      ...plain.controls['on' as never]!,
      address: { kind: 'cc', number: number as never },
    } as const
    const rig: Rig = { ...plain, controls: { ...plain.controls, on }, ...more }
    const verdict = lampVerdict(rig, lampsToProve(rig)[0]!)
    expect(verdict).toMatchObject({ kind: 'lies', lie: { isLit: true } })
    expect(verdict.kind === 'lies' && verdict.lie.moves).toHaveLength(2)
  })

  it('the generated rigs are sound rigs', () => {
    fc.assert(
      fc.property(lampRigs, (rig) => {
        expect(rigProblems(rig)).toEqual([])
      }),
      generated(200, 10),
    )
  })
})
