import { hexOf } from '#core/midi'
import { own } from '#core/base'
import { byIndex, type Rig, placeKey, switchesHere, type RunStep, type Run, type SwitchId } from '#core/rig'
import { deviceState, joined, still, type FloorInput, type FloorState, type StepResult } from './floor'
import { lampTruth } from './lampTruth'
import { advance, startFloor, step } from './step'

/** Feet that are down: where, and on which switch they came down. */
export type Feet = ReadonlyMap<string, SwitchId>

/** What one step of a run is on a floor as it is then; null where nothing is under the foot. `base` is when the run began. */
export function runInput(
  rig: Rig,
  state: FloorState,
  feet: Feet,
  one: RunStep,
  base: number,
): { readonly input: FloorInput | null; readonly feet: Feet } {
  const at = base + one.at
  switch (one.kind) {
    case 'down': {
      const place = placeKey(one)
      const { bankId, layer } = state.known
      const under = bankId === null ? undefined : switchesHere(rig, bankId, layer).get(place)
      if (!under || feet.has(place)) return { input: null, feet }
      return {
        input: { kind: 'press', switchId: under.id, at },
        feet: new Map([...feet, [place, under.id]]),
      }
    }
    case 'up': {
      const place = placeKey(one)
      const switchId = feet.get(place)
      if (switchId === undefined) return { input: null, feet }
      return {
        input: { kind: 'release', switchId, at },
        feet: new Map([...feet].filter(([key]) => key !== place)),
      }
    }
    case 'bank': {
      const here = own(rig.banks, state.known.bankId ?? '')
      const bank = byIndex(rig.banks).find(
        ({ index, controllerId }) => index === one.index && (!here || controllerId === here.controllerId),
      )
      return { input: bank ? { kind: 'bank', bankId: bank.id, at } : null, feet }
    }
    case 'layer':
      return { input: { kind: 'layer', layer: one.to, at }, feet }
    case 'act':
      return { input: { kind: 'act', actions: one.actions, at }, feet }
    case 'need':
      return { input: { kind: 'need', soundId: one.soundId, at }, feet }
    case 'putRight':
      return { input: { kind: 'putRight', at }, feet }
    case 'pedal':
      return { input: { kind: 'pedal', pedalId: one.pedalId, position: one.position, at }, feet }
    case 'toe':
      return { input: { kind: 'toe', pedalId: one.pedalId, isDown: one.isDown, at }, feet }
    case 'clockIn':
      return { input: { kind: 'clockIn', bpm: one.bpm, at }, feet }
    case 'power':
      return { input: { kind: 'power', deviceId: one.deviceId, isOn: one.isOn, at }, feet }
  }
}

/** Plays steps from the moment all is switched on, and for `length` µs. */
export function playSteps(rig: Rig, steps: readonly RunStep[], length: number): StepResult {
  const results: StepResult[] = [startFloor(rig)]
  let feet: Feet = new Map()
  const now = () => results.at(-1)!.state
  for (const one of steps) {
    results.push(advance(rig, now(), one.at))
    const done = runInput(rig, now(), feet, one, 0)
    feet = done.feet
    if (done.input) results.push(step(rig, now(), done.input))
  }
  results.push(advance(rig, now(), length))
  return allOf(results)
}

/** Results one behind the other, put together at once. */
function allOf(results: readonly StepResult[]): StepResult {
  const { state } = results.at(-1)!
  return results.length < 64
    ? results.reduce(joined)
    : {
        ...still(state),
        wire: results.flatMap(({ wire }) => wire),
        contacts: results.flatMap(({ contacts }) => contacts),
        gestures: results.flatMap(({ gestures }) => gestures),
        sent: results.flatMap(({ sent }) => sent),
        waits: results.flatMap(({ waits }) => waits),
        powered: results.flatMap(({ powered }) => powered),
        turns: results.flatMap(({ turns }) => turns),
      }
}

/** What is kept of a run that was played: every message that arrived, and how things were at the end. */
export const seenIn = (rig: Rig, { wire, state }: StepResult): Run['seen'] => ({
  wire: [...wire]
    .sort((a, b) => a.start - b.start || (a.lane < b.lane ? -1 : a.lane > b.lane ? 1 : 0))
    .map(({ start, lane, bytes, lostBy }) => ({ start, lane, hex: hexOf(bytes), lostBy: [...lostBy] })),
  ends: [
    ...Object.keys(rig.devices)
      .sort()
      .map((id) => ({ id: `devices/${id}`, says: deviceSays(state, id) })),
    ...Object.values(rig.switches)
      .filter((one) => lampTruth(rig, one, state)?.verdict === 'lies')
      .map(({ id }) => ({ id: `lamps/${id}`, says: 'lies' }))
      .sort((a, b) => (a.id < b.id ? -1 : 1)),
  ],
})

/** What a device was at the end of a run, as text that is the same when that is the same. */
export interface DeviceEnd {
  readonly isOff: boolean
  readonly preset: number | null
  readonly values: readonly (readonly [controlId: string, value: number])[]
  readonly contacts: readonly (readonly [contactId: string, isClosed: boolean])[]
}

function deviceSays(state: FloorState, id: string): string {
  const { preset, controls, contacts } = deviceState(state, id)
  return JSON.stringify({
    isOff: own(state.off, id) !== undefined,
    preset,
    values: Object.entries(controls).sort(byKey),
    contacts: Object.entries(contacts).sort(byKey),
  } satisfies DeviceEnd)
}

const byKey = ([a]: readonly [string, unknown], [b]: readonly [string, unknown]) =>
  a < b ? -1 : a > b ? 1 : 0
