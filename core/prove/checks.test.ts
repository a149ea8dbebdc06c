import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import { own } from '../base/own'
import { makePedal, makeRoleOf, makeTarget } from '../pedal/testing/makePedals'
import type { Rig } from '../rig/rig'
import type { Never, NeverId, Thing } from '../rig/table/never'
import type { Run, RunId, RunStep } from '../rig/table/run'
import { floorRig, onFloor } from '../simulate/testing/makeFloor'
import { playSteps, seenIn } from '../simulate/run'
import { deviceState, type FloorState } from '../simulate/floor'
import { checksLine } from './checksLine'
import { floorMachine } from './floorMachine'
import { lampRigs } from './testing/makeLampRigs'
import { makeMove, makeMoves, movesAt, restingStart } from './moves'
import type { Proved } from './proved'

const checks = (rig: Rig): Proved[] => [...checksLine(rig, floorMachine(rig))]
const withNever = (rig: Rig, ...things: Thing[]): Rig => ({
  ...rig,
  nevers: { never: { id: 'never' as NeverId, order: 1, things } satisfies Never },
})

/** Whether things are so, read off the devices: on is the upper half of a switch, and all but nothing of anything else. */
function areSo(rig: Rig, things: readonly Thing[], state: FloorState): boolean {
  return things.every((thing) => {
    if (thing.kind === 'contact') throw new Error('These rigs have no contacts')
    if (thing.kind === 'preset') {
      const preset = own(rig.presets, thing.presetId)!
      return deviceState(state, preset.deviceId).preset === preset.index
    }
    const control = own(rig.controls, thing.controlId)!
    const value = own(deviceState(state, control.deviceId).controls, control.id)
    if (value === undefined) return false
    return (control.reading.kind === 'switch' ? value > 63 : value > 0) === thing.isOn
  })
}

/** Runs of so many moves are all made. */
const DEPTH = 4

/** The fewest moves after which they are so, by making every run; null where none of those comes to it. */
function byForce(rig: Rig, things: readonly Thing[]): number | null {
  const text = ({ known, devices, feet }: FloorState) =>
    JSON.stringify([
      { ...known, taps: [], running: {} },
      devices,
      Object.entries(feet).map(([id, { fired }]) => [id, fired]),
    ])
  let floors = [restingStart(rig)]
  const seen = new Set(floors.map(text))
  for (let depth = 0; depth <= DEPTH && floors.length < 1500; depth++) {
    if (floors.some((state) => areSo(rig, things, state))) return depth
    floors = floors
      .flatMap((state) =>
        movesAt(rig, state).map(({ move, footswitch }) => makeMove(rig, state, move, footswitch).state),
      )
      .filter((state) => seen.size !== seen.add(text(state)).size)
  }
  return null
}

const thing: fc.Arbitrary<Thing> = fc.oneof(
  fc.record({
    kind: fc.constant('preset' as const),
    presetId: fc.constantFrom('a-1', 'a-2', 'b-1', 'b-2') as fc.Arbitrary<never>,
  }),
  fc.record({
    kind: fc.constant('control' as const),
    controlId: fc.constantFrom('a-x', 'a-y', 'b-x') as fc.Arbitrary<never>,
    isOn: fc.boolean(),
  }),
)

describe('what must never be', () => {
  it('comes about after just as few moves as when every run is made, or is said not to be known: generated rigs', () => {
    const count = { fails: 0, holds: 0, notProven: 0 }
    fc.assert(
      fc.property(lampRigs, fc.array(thing, { minLength: 1, maxLength: 3 }), (rig, things) => {
        const asked = withNever(rig, ...things)
        const [{ verdict }] = checks(asked) as [Proved]
        const forced = byForce(rig, things)
        count[verdict.kind]++
        if (verdict.kind === 'holds') expect(forced).toBe(null)
        if (verdict.kind !== 'fails') return
        if (forced !== null) expect(verdict.moves.length).toBe(forced)
        const end = makeMoves(rig, restingStart(rig), verdict.moves).at(-1)?.state ?? restingStart(rig)
        expect(areSo(rig, things, end)).toBe(true)
      }),
      generated(300, 22_2026),
    )
    expect(count.fails).toBeGreaterThan(runs(80))
    expect(count.holds).toBeGreaterThan(runs(20))
  })

  it('is not called right where nobody knows what was there at power-on', () => {
    const [rig] = fc.sample(lampRigs, { numRuns: 1, seed: 1 }) as [Rig]
    const bare: Rig = {
      ...rig,
      switches: {},
      devices: { ...rig.devices, a: { ...own(rig.devices, 'a')!, powerOn: null } },
    }
    const [{ verdict }] = checks(withNever(bare, { kind: 'preset', presetId: 'a-1' as never })) as [Proved]
    expect(verdict).toMatchObject({ kind: 'notProven', why: 'asFound' })
  })
})

it('what a pedal leads is not called right, and not wrong', () => {
  const [rig] = fc.sample(lampRigs, { numRuns: 1, seed: 1 }) as [Rig]
  const led: Rig = { ...rig, pedals: { foot: makePedal('foot', [makeRoleOf([makeTarget('a-x')])]) } }
  const never = withNever(led, { kind: 'control', controlId: 'a-x' as never, isOn: true })
  expect(checks(never)[0]!.verdict).toMatchObject({ kind: 'notProven', why: 'pedal' })
})

describe('recorded runs', () => {
  it('hold as long as they do what they did', () => {
    const rig = floorRig({ positions: [[{ kind: 'setControl', controlId: onFloor('strict'), value: 127 }]] })
    const steps: RunStep[] = [{ kind: 'down', at: 1000, jack: '', number: 1 }]
    const run: Run = {
      id: 'run' as RunId,
      order: 1,
      name: 'Verse',
      steps,
      length: 500_000,
      seen: seenIn(rig, playSteps(rig, steps, 500_000)),
    }
    expect(run.seen.wire.length).toBeGreaterThan(0)
    const kept: Rig = { ...rig, runs: { [run.id]: run } }
    expect(checks(kept).map(({ verdict }) => verdict.kind)).toEqual(['holds'])
    const heard: Rig = { ...kept, runs: { [run.id]: { ...run, seen: { wire: [], ends: [] } } } }
    expect(checks(heard)[0]!.verdict).toMatchObject({ kind: 'fails', fault: { kind: 'runDiffers' } })
  })
})
