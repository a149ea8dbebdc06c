import { own } from '#core/base'
import { EMPTY_LOOP, type LoopNow, type Take } from '#core/looper'
import {
  bankShape,
  CABLING,
  perRow,
  perTables,
  type Key,
  byIndex,
  FLOOR_TABLES,
  type Rig,
  switchesHere,
  actionNames,
  type Action,
  type BankId,
  type Device,
  type DeviceId,
  LOOP_STATES,
  type LoopState,
  actionLists,
  type Footswitch,
  type Layer,
} from '#core/rig'
import { askedBy, asksKnown, expanded, isFree, compile, COMPILE_KEYS, type ActionStep } from '#core/switching'
import { deviceState, floorAtPowerOn, type FloorState } from './floor'
import { advance, step } from './step'

/** What a foot does to one switch: a step, two quick ones, or held until the looper counts it as holding. */
export const LOOP_FEET = ['step', 'twice', 'hold'] as const
/** A way of working a looper by a switch. */
export type LoopFootKind = (typeof LOOP_FEET)[number]

/** What becomes of a looper in one state by one thing a foot does. */
export interface LoopOutcome {
  readonly to: LoopState
  /** Recorded or overdubbed on the way, in µs, though it is over by then: a hold's press is felt by the looper too. */
  readonly recorded: number
  /** A layer that was there before is gone. */
  readonly loses: boolean
}

/** A switch that works a looper, and where each way of working it leads, by the state before. */
export interface LoopSwitch {
  readonly footswitch: Footswitch
  readonly does: { readonly [Kind in LoopFootKind]: { readonly [State in LoopState]: LoopOutcome } }
}

/** Two steps this far apart, in µs: sooner than any looper's window for a double press ends. */
const TWICE = 180_000
const DOWN = 80_000
/** The loop there was before the foot came down, in µs. */
const BEGAN = 1_000_000
const LASTS = 4_000_000
const NOW = 10_000_000

/** A looper that has been in a state for a while. */
function loopIn(state: LoopState): LoopNow {
  const take = (kind: Take['kind'], from: number, to: number | null): Take => ({
    kind,
    from,
    to,
    fate: 'kept',
  })
  const loop = take('loop', BEGAN, BEGAN + LASTS)
  const takes: Record<LoopState, readonly Take[]> = {
    empty: [],
    recording: [take('loop', NOW - LASTS, null)],
    playing: [loop],
    overdubbing: [loop, take('dub', NOW - LASTS, null)],
    stopped: [loop],
  }
  return { ...EMPTY_LOOP, state, since: NOW - LASTS, takes: takes[state] }
}

/** Whether anything a switch does may come to an input of a looper, by whatever action. */
function works(rig: Rig, device: Device, footswitch: Footswitch): boolean {
  const inputs = device.looper?.inputs ?? []
  const contacts = new Set(inputs.flatMap(({ by }) => (by?.kind === 'contact' ? [by.contactId] : [])))
  const numbers = new Set(
    inputs.flatMap(({ by }) => {
      const address = by?.kind === 'control' ? own(rig.controls, by.controlId)?.address : undefined
      return address?.kind === 'cc' ? [address.number as number] : []
    }),
  )
  const comesTo = (step: ActionStep): boolean => {
    if (step.kind === 'contact') return step.deviceId === device.id && contacts.has(step.contactId)
    if (step.kind === 'start') return step.steps.some(comesTo)
    return (
      step.kind === 'send' &&
      step.deviceId === device.id &&
      step.message.kind === 'control' &&
      numbers.has(step.message.controller)
    )
  }
  // What hangs on what was done before may do it another time.
  const mayCome = (action: Action): boolean =>
    asksKnown(action) && actionNames(action).some(({ id }) => isOf(rig, device, id))
  const compiled = [
    ...footswitch.positions.flatMap((_, position) => compile(rig, footswitch, 'press', position)),
    ...(['release', 'longPress', 'doublePress'] as const).flatMap((event) =>
      compile(rig, footswitch, event, 0),
    ),
  ]
  return (
    compiled.some(comesTo) ||
    actionLists(footswitch).some(({ actions }) =>
      expanded(rig, actions).some(({ action }) => mayCome(action)),
    )
  )
}

const isOf = (rig: Rig, device: Device, id: string): boolean =>
  id === device.id || own(rig.controls, id)?.deviceId === device.id

/** What every switch of a bank and layer that works a looper makes of it, state by state: tried on the floor itself. */
export const loopSwitches = (rig: Rig, deviceId: DeviceId, bankId: BankId, layer: Layer): LoopSwitch[] =>
  [...switchesHere(rig, bankId, layer).values()].flatMap((footswitch) => {
    const does = triedBy(rig, footswitch).get(deviceId)
    return does ? [{ footswitch, does }] : []
  })

/** By looper, worked out once for as long as what a switch does hangs on is the same: in its own bank and layer. */
const triedOn = (keys: readonly Key[]) =>
  perRow(
    keys,
    (rig, footswitch: Footswitch): ReadonlyMap<DeviceId, LoopSwitch['does']> =>
      new Map(
        Object.values(rig.devices).flatMap((device) =>
          device.looper !== null && works(rig, device, footswitch)
            ? [[device.id, tried(rig, device, footswitch)] as const]
            : [],
        ),
      ),
  )

const bySounds = triedOn([...COMPILE_KEYS, ...CABLING])
/** Most switches of a looper know nothing of sounds and presets: an edit of those costs them nothing. */
const bySelf = triedOn([...CABLING, 'controls', 'macros', bankShape])
/** Whether what it does hangs on controls, contacts and the tuner only. */
const isOfSelf = (rig: Rig, action: Action): boolean =>
  !isFree(action) &&
  actionNames(action).every(({ table }) => table === 'controls' || table === 'devices') &&
  askedBy(rig, action).every((asked) => asked === 'tuner' || asked.startsWith('contacts/')) &&
  (!asksKnown(action) || askedBy(rig, action).length > 0 || actionNames(action).length > 0)

const triedBy = (rig: Rig, footswitch: Footswitch): ReadonlyMap<DeviceId, LoopSwitch['does']> => {
  const isSelf = actionLists(footswitch).every(({ actions }) =>
    expanded(rig, actions).every(({ action }) => isOfSelf(rig, action)),
  )
  return (isSelf ? bySelf : bySounds)(rig, footswitch)
}

function tried(rig: Rig, device: Device, footswitch: Footswitch): LoopSwitch['does'] {
  const { bankId, layer } = footswitch
  const start = floorAtPowerOn(rig)
  const longest = Math.max(
    device.looper!.holdMs,
    own(rig.controllers, own(rig.banks, bankId)?.controllerId ?? '')?.longMs ?? 0,
  )
  const feet: Record<LoopFootKind, readonly (readonly [at: number, kind: 'press' | 'release'])[]> = {
    step: [
      [0, 'press'],
      [DOWN, 'release'],
    ],
    twice: [
      [0, 'press'],
      [DOWN, 'release'],
      [TWICE, 'press'],
      [TWICE + DOWN, 'release'],
    ],
    hold: [
      [0, 'press'],
      [longest * 1000 + 100_000, 'release'],
    ],
  }
  const of = (kind: LoopFootKind, state: LoopState): LoopOutcome => {
    const before = loopIn(state)
    let floor: FloorState = {
      ...start,
      at: NOW,
      known: { ...start.known, bankId, layer },
      devices: { ...start.devices, [device.id]: { ...deviceState(start, device.id), loop: before } },
    }
    for (const [at, foot] of feet[kind])
      floor = step(rig, floor, { kind: foot, switchId: footswitch.id, at: NOW + at }).state
    // Time for single presses that wait to become double ones, and for what travels on the wire.
    floor = advance(rig, floor, floor.at + 1_200_000).state
    return outcome(before, deviceState(floor, device.id).loop ?? before)
  }
  const by = (kind: LoopFootKind) =>
    Object.fromEntries(LOOP_STATES.map((state) => [state, of(kind, state)])) as {
      [State in LoopState]: LoopOutcome
    }
  return { step: by('step'), twice: by('twice'), hold: by('hold') }
}

function outcome(before: LoopNow, after: LoopNow): LoopOutcome {
  const began = after.takes.filter(({ from }) => from >= NOW)
  const recorded = began.reduce((sum, { from, to }) => sum + (to === null ? 0 : to - from), 0)
  const kept = ({ takes }: LoopNow) => takes.filter(({ fate, from }) => fate === 'kept' && from < NOW).length
  return { to: after.state, recorded, loses: kept(after) < kept(before) }
}

/** States in which it sounds or records. */
const RUNS: readonly LoopState[] = ['playing', 'overdubbing']

/** Whether a switch can stop the loop in one go, whatever else it does. */
export const canStop = ({ does }: LoopSwitch): boolean =>
  LOOP_FEET.some((kind) => RUNS.every((state) => isSilent(does[kind][state].to)))

/** Whether a switch can make a loop run. */
export const canRun = ({ does }: LoopSwitch): boolean =>
  LOOP_FEET.some((kind) =>
    (['empty', 'recording', 'stopped'] as const).some((state) => {
      const { to } = does[kind][state]
      return to !== state && (to === 'recording' || RUNS.includes(to))
    }),
  )

/** Whether no loop is heard of a looper in this state. */
export const isSilent = (state: LoopState): boolean => state === 'stopped' || state === 'empty'

/** One place of the foot with what works a looper there. */
export interface LoopPlace {
  readonly bankId: BankId
  readonly layer: Layer
  readonly switches: readonly LoopSwitch[]
}

/** Every bank and layer, with what works each looper there. */
export const loopPlaces = perTables(
  FLOOR_TABLES,
  (rig: Rig): ReadonlyMap<DeviceId, readonly LoopPlace[]> =>
    new Map(
      Object.values(rig.devices).flatMap(({ id, looper }) =>
        looper === null
          ? []
          : [
              [
                id,
                byIndex(rig.banks).flatMap((bank) =>
                  (['base', 'shift'] as const).map((layer): LoopPlace => ({
                    bankId: bank.id,
                    layer,
                    switches: loopSwitches(rig, id, bank.id, layer),
                  })),
                ),
              ] as const,
            ],
      ),
    ),
)
