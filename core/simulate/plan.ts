import { own } from '#core/base'
import { encodeMessage, type MidiMessage } from '#core/midi'
import {
  CABLING,
  perRow,
  type Key,
  type Numbering,
  type Rig,
  type Action,
  type Bank,
  type Device,
  type DeviceId,
  type SetValue,
  type Footswitch,
  deafFor,
} from '#core/rig'
import type { ContactSet } from '#core/sound'
import {
  actionSteps,
  asksKnown,
  expanded,
  COMPILE_KEYS,
  type SwitchEvent,
  NOTHING_KNOWN,
  type Learned,
  type ActionStep,
} from '#core/switching'
import { chartOf, type DeviceChart } from './chartIndex'
import { hasBeat } from './beat'
import { answers, listeners } from './listeners'

/** A step with all about it that does not hang on when it is done. */
export type Op =
  | Message
  | {
      readonly kind: 'contact'
      readonly contact: ContactSet
      /** A learned state that the contact calls up. */
      readonly calls: readonly SetValue[]
    }
  | { readonly kind: 'wait'; readonly microseconds: number }
  | { readonly kind: 'know'; readonly learned: Learned }
  | { readonly kind: 'start'; readonly name: string; readonly ops: readonly Op[] }
  | { readonly kind: 'stop'; readonly name: string }
  /** An action whose steps hang on what is known when it is reached. */
  | { readonly kind: 'ask'; readonly action: Action; readonly at: number }

export interface Message {
  readonly kind: 'message'
  readonly message: MidiMessage
  readonly deviceId: DeviceId | null
  readonly action: number
  readonly bytes: Uint8Array
  readonly lane: string
  /** Its controller leaves out a status byte equal to the one before. */
  readonly isTerse: boolean
  readonly heardBy: readonly DeviceId[]
  readonly hearers: readonly Hearer[]
}

interface Hearer {
  readonly id: DeviceId
  readonly numbering: Numbering
  readonly chart: DeviceChart
  /** How long it is deaf after a recall, in µs; 0 when it keeps what comes meanwhile. */
  readonly deaf: number
  /** Null for one that keeps no beat. */
  readonly beats: Device | null
}

/** What each of a switch's lists does to the floor. */
export interface SwitchPlan {
  readonly positions: readonly (readonly Op[])[]
  readonly release: readonly Op[]
  readonly longPress: readonly Op[]
  readonly doublePress: readonly Op[]
}

/** What decides what is done where: an edit to other switches leaves it as it is. */
export const PLAN_KEYS: readonly Key[] = [...COMPILE_KEYS, ...CABLING, 'pedals']

const plansOf = new WeakMap<Rig, WeakMap<Footswitch, SwitchPlan>>()

/** What a switch does to the floor. Worked out once, since it is done at every press; by rig first, which is one look. */
export function switchPlan(rig: Rig, footswitch: Footswitch): SwitchPlan {
  let plans = plansOf.get(rig)
  if (!plans) plansOf.set(rig, (plans = new WeakMap()))
  let plan = plans.get(footswitch)
  if (!plan) plans.set(footswitch, (plan = plannedSwitch(rig, footswitch)))
  return plan
}

const plannedSwitch = perRow(PLAN_KEYS, (rig, footswitch: Footswitch): SwitchPlan => {
  const controllerId = own(rig.banks, footswitch.bankId)?.controllerId ?? ''
  const plan = (actions: readonly Action[]) => planActions(rig, controllerId, actions)
  const { positions, release, longPress, doublePress } = footswitch
  return {
    positions: positions.map(plan),
    release: plan(release),
    longPress: plan(longPress),
    doublePress: plan(doublePress),
  }
})

export const eventOps = (plan: SwitchPlan, event: SwitchEvent, position: number): readonly Op[] =>
  event === 'press' ? plan.positions[position]! : plan[event]

/** What is done on coming to a bank, and on leaving it. */
export const bankPlan = perRow(
  PLAN_KEYS,
  (rig, bank: Bank): { readonly enter: readonly Op[]; readonly leave: readonly Op[] } => ({
    enter: planActions(rig, bank.controllerId, bank.enter),
    leave: planActions(rig, bank.controllerId, bank.leave),
  }),
)

export function planActions(rig: Rig, controllerId: string, actions: readonly Action[]): Op[] {
  const controller = own(rig.controllers, controllerId) ?? null
  const ops = expanded(rig, actions).flatMap(({ action, at }): Op[] =>
    asksKnown(action)
      ? [{ kind: 'ask', action, at }]
      : planSteps(
          rig,
          controllerId,
          actionSteps(rig, action, { controller, known: NOTHING_KNOWN, at: 0, by: null }),
          at,
        ),
  )
  return learnedAtOnce(ops)
}

/**
 * What becomes known between two points at which it could be asked for is learned in one go: of several actions that
 * follow one another at once, that is all of it.
 */
function learnedAtOnce(ops: readonly Op[]): Op[] {
  const all: Op[] = []
  let waiting: Learned | null = null
  const flush = () => {
    if (waiting) all.push({ kind: 'know', learned: waiting })
    waiting = null
  }
  for (const op of ops) {
    if (op.kind === 'know') {
      waiting = waiting ? bothLearned(waiting, op.learned) : op.learned
      continue
    }
    if (op.kind !== 'message' && op.kind !== 'contact') flush()
    all.push(op)
  }
  flush()
  return all
}

const bothLearned = (first: Learned, then: Learned): Learned => ({
  ...first,
  ...then,
  ...(first.presets && then.presets && { presets: { ...first.presets, ...then.presets } }),
  ...(first.values && then.values && { values: { ...first.values, ...then.values } }),
  ...(first.contacts && then.contacts && { contacts: { ...first.contacts, ...then.contacts } }),
})

/** What steps of an action do to the floor: to whom messages go, and what is learned. */
export const planSteps = (
  rig: Rig,
  controllerId: string,
  steps: readonly ActionStep[],
  action: number,
): Op[] =>
  steps.flatMap((step): Op[] => {
    switch (step.kind) {
      case 'send':
        return messages(rig, controllerId, step, action)
      case 'contact':
        return [{ kind: 'contact', contact: step, calls: calledBy(rig, step.deviceId, step.isClosed) }]
      case 'start':
        return [{ kind: 'start', name: step.name, ops: planSteps(rig, controllerId, step.steps, action) }]
      default:
        return [step]
    }
  })

/** A message goes out where its device is; one for nobody in particular out of every output. */
function messages(
  rig: Rig,
  controllerId: string,
  { message, deviceId }: Extract<ActionStep, { kind: 'send' }>,
  action: number,
): Message[] {
  const around = listeners(rig, controllerId)
  const lanes =
    deviceId === null
      ? new Set(around.map(({ lane }) => lane))
      : new Set([around.find(({ device }) => device.id === deviceId)?.lane ?? NOWHERE])
  return [...lanes].map((lane): Message => {
    const hearers = around
      .filter((listener) => listener.lane === lane && answers(listener, message))
      .map(({ device }) => ({
        id: device.id,
        numbering: device.numbering,
        chart: chartOf(rig, device.id),
        deaf: deafFor(device),
        beats: hasBeat(device) ? device : null,
      }))
    const bytes = encodeMessage(message)
    const heardBy = hearers.map(({ id }) => id)
    const isTerse = own(rig.controllers, controllerId)?.runningStatus === true
    return {
      kind: 'message',
      message,
      deviceId,
      action,
      bytes,
      lane: lane === NOWHERE ? '' : lane,
      isTerse,
      heardBy,
      hearers,
    }
  })
}

/** Where a device is that no cable leads to: its messages go out all the same, and nobody hears them. */
const NOWHERE = 'nowhere'

/** What a device has learned for its one switch: state A while the contact is open, B while it is closed. */
function calledBy(rig: Rig, deviceId: DeviceId, isClosed: boolean): readonly SetValue[] {
  const [pair, ...others] = Object.values(rig.pairs).filter((one) => one.deviceId === deviceId)
  return pair && others.length === 0 ? (isClosed ? pair.b : pair.a) : []
}
