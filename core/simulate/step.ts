import { own } from '../base/own'
import { CONTROLLER } from '../midi/controllers'
import type { ChannelMessage } from '../midi/message'
import { byIndex, inOrder, type Rig } from '../rig/rig'
import type { BankId } from '../rig/table/bank'
import type { DeviceId } from '../rig/table/device'
import type { Footswitch, SwitchId } from '../rig/table/switch'
import type { Numbering } from '../rig/numbering/numbering'
import { perRow } from '../rig/perTables'
import type { SoundId } from '../rig/table/sound'
import { actionSteps } from '../switching/action'
import type { ContactSet } from '../sound/blocks'
import type { SetValue } from '../rig/table/setValue'
import { COMPILE_TABLES, compile, type CompiledStep, type SwitchEvent } from '../switching/compile'
import { schedule, type TimedMessage } from '../switching/schedule'
import { chartOf, type DeviceChart } from './chartIndex'
import { DEVICE_AT_POWER_ON, moveContact, playing, receive, type DeviceState } from './device'
import { answers, listeners } from './listeners'

/** The whole floor at one moment: what the controller and every device remember. */
export interface FloorState {
  /** The bank the controller is in; null when the rig has none. */
  readonly bankId: BankId | null
  /** The position the next press of a switch will do, where it is not 0. */
  readonly next: { readonly [switchId: string]: number }
  /** What devices remember, where it is not what they remember at power on. */
  readonly devices: { readonly [deviceId: string]: DeviceState }
  /** Until when devices that load are deaf to controls, in µs on the clock of the inputs. */
  readonly deafUntil: { readonly [deviceId: string]: number }
  /** When the wire will have sent all it was given, in µs on the same clock as inputs. */
  readonly wireFreeAt: number
}

export type FloorInput = { readonly at: number } & (
  | { readonly kind: SwitchEvent; readonly switchId: SwitchId }
  | { readonly kind: 'bank'; readonly bankId: BankId }
  /** A sound sent as a switch that recalls it would. */
  | { readonly kind: 'sound'; readonly soundId: SoundId }
  /** Messages for one device, sent by hand. */
  | { readonly kind: 'send'; readonly deviceId: DeviceId; readonly messages: readonly ChannelMessage[] }
)

/** One message on the wire; `start` and `end` are on the clock of the inputs. */
export interface WireEntry extends TimedMessage {
  /** Every device that answers to it, in their order. */
  readonly heardBy: readonly DeviceId[]
  /** Those it came to while they were loading, and who lost it. */
  readonly lostBy: readonly DeviceId[]
}

export interface StepResult {
  readonly state: FloorState
  readonly wire: readonly WireEntry[]
  /** Contacts that were set. */
  readonly contacts: readonly ContactSet[]
}

export const floorAtPowerOn = (rig: Rig): FloorState => ({
  bankId: byIndex(rig.banks)[0]?.id ?? null,
  next: {},
  devices: Object.fromEntries(
    Object.values(rig.devices).flatMap(({ id, powerOn }) =>
      powerOn === null ? [] : [[id, playing(powerOn, chartOf(rig, id))]],
    ),
  ),
  deafUntil: {},
  wireFreeAt: 0,
})

export const deviceState = (state: FloorState, deviceId: string): DeviceState =>
  own(state.devices, deviceId) ?? DEVICE_AT_POWER_ON

/**
 * One thing done on the floor: the state after it and what went down the wire. Messages wait for the
 * wire to be free; a device answers only where the cables lead to it, and on its own channel. A switch or
 * bank that does not exist changes nothing and returns the same state.
 */
export function step(rig: Rig, state: FloorState, input: FloorInput): StepResult {
  if (input.kind === 'bank') {
    const isHere = input.bankId === state.bankId || !own(rig.banks, input.bankId)
    return { state: isHere ? state : { ...state, bankId: input.bankId }, wire: [], contacts: [] }
  }
  if (input.kind === 'send' || input.kind === 'sound') {
    const bank = own(rig.banks, state.bankId ?? '')
    const controllerId = bank?.controllerId ?? inOrder(rig.controllers)[0]?.id ?? ''
    if (input.kind === 'sound') {
      const controller = own(rig.controllers, controllerId) ?? null
      const steps = actionSteps(rig, { kind: 'recallSound', soundId: input.soundId }, controller)
      const compiled = steps.map((one): CompiledStep => ({ ...one, action: 0 }))
      return transmit(state, deliveries(rig, controllerId, compiled), input.at)
    }
    const { deviceId } = input
    const messages = input.messages.map((message): CompiledStep => ({
      kind: 'send',
      message,
      deviceId,
      action: 0,
    }))
    return transmit(state, deliveries(rig, controllerId, messages), input.at)
  }
  const footswitch = own(rig.switches, input.switchId)
  if (!footswitch) return { state, wire: [], contacts: [] }
  // An edit may have taken positions away since the last press.
  const position = (own(state.next, footswitch.id) ?? 0) % footswitch.positions.length
  const { positions, release } = planned(rig, footswitch)
  const sent = transmit(state, input.kind === 'press' ? positions[position]! : release, input.at)
  if (input.kind === 'release' || footswitch.positions.length === 1) return sent
  const next = { ...state.next, [footswitch.id]: (position + 1) % footswitch.positions.length }
  return { ...sent, state: { ...sent.state, next } }
}

/** What a step does on the floor: all about it that does not depend on when it is done. */
type Delivery = MessageDelivery | ContactDelivery

interface MessageDelivery extends Omit<TimedMessage, 'start' | 'end'> {
  readonly kind: 'message'
  /** How long nothing is sent before it, and how long it is itself, in µs. */
  readonly wait: number
  readonly length: number
  readonly heardBy: readonly DeviceId[]
  readonly hearers: readonly Hearer[]
}

interface ContactDelivery {
  readonly kind: 'contact'
  readonly contact: ContactSet
  /** A learned state that the contact calls up. */
  readonly calls: readonly SetValue[]
}

interface Hearer {
  readonly id: DeviceId
  readonly numbering: Numbering
  readonly chart: DeviceChart
  /** How long it is deaf after a recall, in µs; 0 when it keeps what comes meanwhile. */
  readonly deaf: number
}

/** What the presses of a switch do to the floor. Worked out once, since it is done at every press. */
const planned = perRow(
  [...COMPILE_TABLES, 'banks'],
  (rig, footswitch: Footswitch): { positions: readonly Delivery[][]; release: readonly Delivery[] } => {
    const controllerId = own(rig.banks, footswitch.bankId)?.controllerId ?? ''
    const plan = (event: SwitchEvent, position: number) =>
      deliveries(rig, controllerId, compile(rig, footswitch, event, position))
    return {
      positions: footswitch.positions.map((_, position) => plan('press', position)),
      release: plan('release', 0),
    }
  },
)

function deliveries(rig: Rig, controllerId: string, steps: readonly CompiledStep[]): Delivery[] {
  const around = listeners(rig, controllerId)
  const timed = schedule(steps, 0, own(rig.controllers, controllerId)?.runningStatus)
  let next = 0
  let before = 0
  return steps.flatMap((step): Delivery[] => {
    if (step.kind === 'wait') return []
    if (step.kind === 'contact')
      return [{ kind: 'contact', contact: step, calls: calledBy(rig, step.deviceId, step.isClosed) }]
    const { message, deviceId, action, bytes, start, end } = timed[next++]!
    const wait = start - before
    before = end
    const lane = around.find(({ device }) => device.id === deviceId)?.lane
    const hearers = around
      .filter((listener) => listener.lane === lane && answers(listener, message))
      .map(({ device: { id, numbering, deafMs, whileDeaf } }) => ({
        id,
        numbering,
        chart: chartOf(rig, id),
        deaf: whileDeaf === 'loses' ? deafMs * 1000 : 0,
      }))
    return [
      {
        kind: 'message',
        message,
        deviceId,
        action,
        bytes,
        wait,
        length: end - start,
        heardBy: hearers.map(({ id }) => id),
        hearers,
      },
    ]
  })
}

/** What a device has learned for its one switch: state A while the contact is open, B while it is closed. */
function calledBy(rig: Rig, deviceId: DeviceId, isClosed: boolean): readonly SetValue[] {
  const [pair, ...others] = Object.values(rig.pairs).filter((one) => one.deviceId === deviceId)
  return pair && others.length === 0 ? (isClosed ? pair.b : pair.a) : []
}

const NOBODY: readonly DeviceId[] = []

/** Does what is planned, one thing behind the other, and lets every device it comes to answer. */
function transmit(state: FloorState, plan: readonly Delivery[], at: number): StepResult {
  if (plan.length === 0) return { state, wire: [], contacts: [] }
  const devices: { [deviceId: string]: DeviceState } = { ...state.devices }
  let { deafUntil } = state
  let wireFreeAt = Math.max(at, state.wireFreeAt)
  const wire: WireEntry[] = []
  const contacts: ContactSet[] = []
  // Written out: spreading one object into another is ten times slower here, and this runs at every press.
  for (const one of plan) {
    if (one.kind === 'contact') {
      const { deviceId } = one.contact
      devices[deviceId] = moveContact(own(devices, deviceId) ?? DEVICE_AT_POWER_ON, one.contact, one.calls)
      contacts.push(one.contact)
      continue
    }
    const { message, deviceId, action, bytes, heardBy, hearers } = one
    const start = wireFreeAt + one.wait
    wireFreeAt = start + one.length
    let lostBy = NOBODY
    for (const { id, numbering, chart, deaf } of hearers) {
      if (deaf > 0 && isLostWhileDeaf(message) && start < (own(deafUntil, id) ?? 0)) {
        lostBy = [...lostBy, id]
        continue
      }
      devices[id] = receive(numbering, own(devices, id) ?? DEVICE_AT_POWER_ON, message, chart)
      if (deaf > 0 && message.kind === 'program') deafUntil = { ...deafUntil, [id]: wireFreeAt + deaf }
    }
    wire.push({ message, deviceId, action, bytes, start, end: wireFreeAt, heardBy, lostBy })
  }
  return { state: { bankId: state.bankId, next: state.next, devices, deafUntil, wireFreeAt }, wire, contacts }
}

/** A device that loads still takes the next recall: bank select and program change. */
const isLostWhileDeaf = (message: ChannelMessage): boolean =>
  message.kind === 'control' &&
  message.controller !== CONTROLLER.bankSelectMsb &&
  message.controller !== CONTROLLER.bankSelectLsb
