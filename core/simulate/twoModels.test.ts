import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import { own } from '../base/own'
import { rigProblems } from '../rig/integrity'
import { placeKey, switchesHere } from '../rig/switchesHere'
import type { Rig } from '../rig/rig'
import type { SwitchId } from '../rig/table/switch'
import { FEATURES } from '../rig/testing/features'
import { wideRigs } from '../rig/testing/wideRigs'
import { deviceState, floorAtPowerOn, still, type StepResult } from './floor'
import { anyFeet, rigsWithTime, type Foot } from './testing/makeFloors'
import { knownToPlain, PlainFloor, TICK, unknownToPlain } from './testing/plainFloor'
import { advance, step } from './step'

/** What is under the numbers now; asked of the simulator's own state, since both must be in the same bank. */
const under = (rig: Rig, { known }: StepResult['state'], number: number) =>
  switchesHere(rig, known.bankId!, known.layer).get(placeKey({ jack: '', number }))

interface Arrived {
  readonly start: number
  readonly end: number
  readonly bytes: readonly number[]
  readonly lostBy: readonly string[]
}

/** What ends at one moment on two wires has no order. */
const inOrderOfEnds = (arrived: readonly Arrived[]) =>
  arrived
    .map(({ start, end, bytes, lostBy }) => ({ start, end, bytes: [...bytes], lostBy: [...lostBy] }))
    .sort((a, b) => a.end - b.end || a.bytes.join().localeCompare(b.bytes.join()))

/** Both floors say the same, in one form. */
function simulated(rig: Rig, { state }: StepResult, arrived: readonly Arrived[]) {
  const { known } = state
  return {
    bank: known.bankId,
    layer: known.layer,
    heldBy: known.heldBy,
    back: known.back,
    next: Object.fromEntries(Object.entries(known.next).sort()),
    values: Object.fromEntries(Object.entries(known.values).sort()),
    presets: Object.fromEntries(Object.entries(known.presets).sort()),
    tempo: known.tempo,
    song: known.songId,
    sweeping: Object.keys(known.running).sort(),
    arrived: inOrderOfEnds(arrived),
    devices: Object.values(rig.devices).map(({ id }) => {
      const { preset, controls, fired } = deviceState(state, id)
      return [id, preset, Object.entries(controls).sort(), Object.entries(fired).sort()]
    }),
  }
}

function plainly(rig: Rig, plain: PlainFloor) {
  const object = (map: ReadonlyMap<string, unknown>) => Object.fromEntries([...map].sort())
  return {
    bank: plain.bank,
    layer: plain.layer,
    heldBy: plain.heldBy,
    back: plain.visited,
    next: object(plain.next),
    values: object(plain.values),
    presets: object(plain.presets),
    tempo: plain.tempo,
    song: plain.song,
    sweeping: [...plain.sweeps.keys()].map((controlId) => `sweep/${controlId}`).sort(),
    arrived: inOrderOfEnds(plain.arrived),
    devices: Object.values(rig.devices).map(({ id }) => {
      const { preset, values, fired } = plain.devices.get(id)!
      return [id, preset, [...values].sort(), [...fired].sort()]
    }),
  }
}

/** After the last foot, in ms: longer than any window, wait and sweep of these rigs together. */
const TAIL = 900

/** Runs both side by side; throws at the first millisecond at which they differ. The number of messages that arrived. */
function compare(rig: Rig, feet: readonly Foot[]): number {
  const plain = new PlainFloor(rig, (deviceId) =>
    rig.controllers.controller!.separateOutputs ? (deviceId === 'c' ? 'out2' : 'out') : '',
  )
  let last: StepResult = still(floorAtPowerOn(rig))
  const arrived: Arrived[] = []
  const take = (result: StepResult) => {
    for (const { start, end, bytes, lostBy } of result.wire)
      arrived.push({ start, end, bytes: [...bytes], lostBy })
    last = result
  }
  const downOn = new Map<number, SwitchId>()
  const coming = [...feet]
  let nextAt = coming[0]!.after
  let seen = -1
  for (let ms = 0, end = Infinity; ms <= end; ms++) {
    const now = ms * 1000
    const isBusy = plain.isBusyBefore(now + 1)
    for (let at = isBusy ? now - 1000 + TICK : now; at <= now; at += TICK) if (at >= 0) plain.tick(at)
    const before = last.state
    take(advance(rig, last.state, now))
    for (; coming.length > 0 && nextAt === ms; nextAt += coming[0]?.after ?? 0) {
      const { number } = coming.shift()!
      const held = downOn.get(number)
      const footswitch = held === undefined ? under(rig, last.state, number) : own(rig.switches, held)
      if (!footswitch) continue
      if (held === undefined) downOn.set(number, footswitch.id)
      else downOn.delete(number)
      take(
        step(rig, last.state, {
          kind: held === undefined ? 'press' : 'release',
          switchId: footswitch.id,
          at: now,
        }),
      )
      if (held === undefined) plain.down(footswitch)
      else plain.up(footswitch)
    }
    if (coming.length === 0 && end === Infinity) end = ms + TAIL
    const { state } = last
    const isChanged = state.known !== before.known || state.devices !== before.devices
    if (isChanged || seen !== plain.version)
      expect(simulated(rig, last, arrived), `at ${ms} ms`).toEqual(plainly(rig, plain))
    seen = plain.version
  }
  return arrived.length
}

describe('the simulator and a second, plainly written floor', () => {
  it('agree at every millisecond over generated rigs and feet; of a rig it does not know the second says nothing', () => {
    let [messages, compared] = [0, 0]
    const refused = new Set<string>()
    const anyRig = fc.oneof({ weight: 7, arbitrary: rigsWithTime }, { weight: 1, arbitrary: wideRigs() })
    fc.assert(
      fc.property(anyRig, anyFeet, (rig, feet) => {
        const unknown = unknownToPlain(rig)
        for (const name of unknown) refused.add(name)
        if (unknown.length > 0) return
        messages += compare(rig, feet)
        compared++
      }),
      generated(3400, 9_2026),
    )
    // Not because nothing happened, and not because nearly all were refused.
    expect(messages).toBeGreaterThan(runs(10_000))
    expect(compared).toBeGreaterThan(runs(2700))
    expect(refused.size).toBeGreaterThan(10)
  })

  it('the rigs that are compared have all that the second floor knows, and nothing else', () => {
    const rigs = fc.sample(rigsWithTime, { numRuns: 500, seed: 10_2026 })
    expect(rigs.flatMap(unknownToPlain)).toEqual([])
    expect(knownToPlain.filter((name) => !rigs.some((rig) => FEATURES[name]!(rig)))).toEqual([])
  })

  it('the generated rigs are sound rigs', () => {
    fc.assert(
      fc.property(rigsWithTime, (rig) => {
        expect(rigProblems(rig)).toEqual([])
      }),
      generated(200, 9),
    )
  })

  it('the same whether time passes at once or in pieces, with every kind of action', () => {
    fc.assert(
      fc.property(
        fc.oneof(rigsWithTime, wideRigs()),
        anyFeet,
        fc.array(fc.integer({ min: 1, max: 90_000 })),
        (rig, feet, pieces) => {
          let at = 0
          let state = floorAtPowerOn(rig)
          const downOn = new Map<number, SwitchId>()
          for (const { after, number } of feet) {
            at += after * 1000
            const held = downOn.get(number)
            state = advance(rig, state, at).state
            const switchId = held ?? under(rig, { ...state }, number)?.id
            if (!switchId) continue
            if (held === undefined) downOn.set(number, switchId)
            else downOn.delete(number)
            state = step(rig, state, { kind: held === undefined ? 'press' : 'release', switchId, at }).state
          }
          const end = at + 2_000_000
          let inPieces = state
          for (const piece of pieces)
            inPieces = advance(rig, inPieces, Math.min(end, inPieces.at + piece)).state
          expect(advance(rig, inPieces, end).state).toEqual(advance(rig, state, end).state)
        },
      ),
      generated(600, 9_2027),
    )
  })
})
