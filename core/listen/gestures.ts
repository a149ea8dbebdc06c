import { own } from '#core/base'
import { hexOf } from '#core/midi'
import {
  perTables,
  byIndex,
  FLOOR_TABLES,
  type Rig,
  switchesHere,
  placeKey,
  type Bank,
  type Controller,
  isProgrammed,
  LAYERS,
  type Footswitch,
  type Layer,
} from '#core/rig'
import { joined, type FloorState, type StepResult, settle, startFloor, step } from '#core/simulate'
import { expanded, isAlike } from '#core/switching'

/** A message as it came in. */
export interface HeardMessage {
  /** In ms, from the first of its gesture or from when it was asked for. */
  readonly ms: number
  /** "B3 14 7F". */
  readonly hex: string
}

/** What a foot does on one switch. */
export type How = 'tap' | 'hold' | 'double'

/** One thing to do on a real controller: a footswitch, in a bank and layer, and what the foot does. */
export interface Gesture {
  readonly bankId: Bank['id']
  readonly layer: Layer
  readonly jack: string
  readonly number: number
  readonly switchId: Footswitch['id']
  readonly how: How
  /** Of taps the how manieth, from 0: a switch with several positions does another thing each time. */
  readonly nth: number
}

/** Names a gesture for good. */
export const gestureKey = ({ bankId, layer, jack, number, how, nth }: Gesture): string =>
  [bankId, layer, jack, number, how, nth].join('/')

/** How long a foot holds that means a long press, in ms: longer than any controller waits for one that is not opening an editor. */
const HOLD_MS = 1900

/** Everything a controller's switches can be asked to do, in the order in which one would go through them. */
export function gesturesOf(rig: Rig, controller: Controller): readonly Gesture[] {
  return all(rig).get(controller.id) ?? []
}

const all = perTables(FLOOR_TABLES, (rig: Rig): ReadonlyMap<string, readonly Gesture[]> => {
  const byController = new Map<string, Gesture[]>()
  for (const bank of byIndex(rig.banks)) {
    const its = byController.get(bank.controllerId) ?? []
    byController.set(bank.controllerId, its)
    for (const layer of LAYERS)
      for (const one of [...switchesHere(rig, bank.id, layer).values()].sort(byPlace))
        if (isProgrammed(one) && one.layer === layer) its.push(...ofSwitch(rig, bank, layer, one))
  }
  return byController
})

const byPlace = (a: Footswitch, b: Footswitch): number =>
  a.jack < b.jack ? -1 : a.jack > b.jack ? 1 : a.number - b.number

function ofSwitch(rig: Rig, bank: Bank, layer: Layer, one: Footswitch): Gesture[] {
  const at = (how: How, nth: number): Gesture => ({
    bankId: bank.id,
    layer,
    jack: one.jack,
    number: one.number,
    switchId: one.id,
    how,
    nth,
  })
  const events = own(rig.controllers, bank.controllerId)?.events ?? []
  return [
    ...one.positions.map((_, n) => at('tap', n)),
    ...(one.longPress.length > 0 && events.includes('longPress') ? [at('hold', 0)] : []),
    ...(one.doublePress.length > 0 && events.includes('doublePress') ? [at('double', 0)] : []),
  ]
}

/** What a gesture should send, and whether that is the same whatever was sent before. */
export interface Expected {
  readonly sends: readonly HeardMessage[]
  /** Where it hangs on what was sent before: all that it may send, by how often it was done. */
  readonly also: readonly (readonly HeardMessage[])[]
  readonly isSure: boolean
  /** In which order all of it comes hangs on how long the foot stays. */
  readonly hangsOnFoot: boolean
}

/** Clock ticks go on by themselves and say nothing of a switch. */
const isTold = (bytes: Uint8Array): boolean => bytes[0]! < 0xf8

/** What a gesture sends on a floor that was just switched on and led to its bank; by switch and gesture. */
export function expectedOf(rig: Rig, gesture: Gesture): Expected {
  const known = expectations(rig)
  const key = gestureKey(gesture)
  let found = known.get(key)
  if (!found) known.set(key, (found = simulated(rig, gesture)))
  return found
}

const expectations = perTables(FLOOR_TABLES, (_: Rig) => new Map<string, Expected>())

const UNSURE_TIMES = 4

/** How long a foot may stay, in ms. */
const TAPS_MS = [30, 60, 120, 170, 230, 300, 400]

/** Behind a pause: a foot that comes off meanwhile sends in between. */
const isLate = ({ ms }: HeardMessage, n: number, all: readonly HeardMessage[]): boolean =>
  n > 0 && ms - all[n - 1]!.ms > 12

function simulated(rig: Rig, gesture: Gesture): Expected {
  const isSure = isAlwaysSo(rig, gesture)
  const times = isSure ? 1 : UNSURE_TIMES
  const of = own(rig.switches, gesture.switchId)?.positions.length ?? 1
  const runs = Array.from({ length: times }, (_, n) => sentBy(rig, gesture, n * of))
  const hangsOnFoot = own(rig.switches, gesture.switchId)?.release.length !== 0 && runs[0]!.some(isLate)
  if (hangsOnFoot) for (const ms of TAPS_MS) runs.push(sentBy(rig, gesture, 0, ms))
  return { sends: runs[0]!, also: runs.slice(1), isSure, hangsOnFoot }
}

/** What a controller sends when a foot does it, as the simulated one would; `before` taps more than the gesture asks were made. */
export function sentBy(rig: Rig, gesture: Gesture, before = 0, tapMs = TAP_MS): HeardMessage[] {
  let state = standing(rig, gesture)
  const taps = gesture.how === 'tap' ? gesture.nth + before : before
  for (let n = 0; n < taps; n++) state = footOn(rig, state, gesture, 'tap').state
  const { wire } = footOn(rig, state, gesture, gesture.how, tapMs)
  const told = wire.filter(({ bytes }) => isTold(bytes)).sort((a, b) => a.start - b.start)
  const from = told[0]?.start ?? 0
  return told.map(({ start, bytes }) => ({ ms: Math.round((start - from) / 1000), hex: hexOf(bytes) }))
}

/** The floor once all is switched on and the foot stands before the switch. */
function standing(rig: Rig, { bankId, layer }: Gesture): FloorState {
  const known = stands(rig)
  const key = `${bankId}/${layer}`
  let state = known.get(key)
  if (!state) {
    state = settle(rig, startFloor(rig).state).state
    const go = (input: Parameters<typeof step>[2]) =>
      (state = settle(rig, step(rig, state!, input).state).state)
    if (state.known.bankId !== bankId) go({ kind: 'bank', bankId, at: state.at })
    if (layer === 'shift') go({ kind: 'layer', layer, at: state.at })
    known.set(key, state)
  }
  return state
}

const stands = perTables(FLOOR_TABLES, (_: Rig) => new Map<string, FloorState>())

const TAP_MS = 80
const BETWEEN_MS = 60
/** Between two gestures nothing hangs on the one before any more. */
const REST_MS = 3000

function footOn(rig: Rig, before: FloorState, gesture: Gesture, how: How, tapMs = TAP_MS): StepResult {
  const start = before.at + REST_MS * 1000
  const moves: [ms: number, kind: 'press' | 'release'][] =
    how === 'double'
      ? [
          [0, 'press'],
          [TAP_MS, 'release'],
          [TAP_MS + BETWEEN_MS, 'press'],
          [2 * TAP_MS + BETWEEN_MS, 'release'],
        ]
      : [
          [0, 'press'],
          [how === 'hold' ? HOLD_MS : tapMs, 'release'],
        ]
  let result: StepResult | null = null
  let state = before
  // The switch the foot came down on is let go, whatever is under the foot by then.
  const down = switchUnder(rig, state, gesture)
  for (const [ms, kind] of moves) {
    const done = step(rig, state, { kind, switchId: down, at: start + ms * 1000 })
    result = result ? joined(result, done) : done
    state = done.state
  }
  return joined(result!, settle(rig, state))
}

/** After a step that led to another bank the next tap is made in the bank the gesture is of all the same. */
function switchUnder(rig: Rig, { known }: FloorState, gesture: Gesture): Footswitch['id'] {
  const here =
    known.bankId === null ? undefined : switchesHere(rig, known.bankId, known.layer).get(placeKey(gesture))
  return known.bankId === gesture.bankId ? (here?.id ?? gesture.switchId) : gesture.switchId
}

/** Whether a gesture sends the same at all times: where the foot stands is what the gesture says. */
function isAlwaysSo(rig: Rig, { switchId, how, nth }: Gesture): boolean {
  const one = own(rig.switches, switchId)
  if (!one) return false
  const lists =
    how === 'tap'
      ? [one.positions[nth] ?? [], one.release]
      : how === 'hold'
        ? [one.longPress, one.release, one.positions[0]!]
        : [one.doublePress, one.release]
  return lists.every((list) => expanded(rig, list).every(({ action }) => isAlike(action)))
}
