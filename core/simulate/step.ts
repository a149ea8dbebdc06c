import { own } from '../base/own'
import type { ChannelMessage } from '../midi/message'
import { byIndex, inOrder, type Rig } from '../rig/rig'
import type { BankId } from '../rig/table/bank'
import type { DeviceId } from '../rig/table/device'
import type { Footswitch, SwitchId } from '../rig/table/switch'
import type { Numbering } from '../rig/numbering/numbering'
import { CABLING, perRow } from '../rig/perTables'
import { compile, type CompiledMessage, type SwitchEvent } from '../switching/compile'
import { schedule, type TimedMessage } from '../switching/schedule'
import { chartOf, type DeviceChart } from './chartIndex'
import { DEVICE_AT_POWER_ON, receive, type DeviceState } from './device'
import { answers, listeners } from './listeners'

/** The whole floor at one moment: what the controller and every device remember. */
export interface FloorState {
  /** The bank the controller is in; null when the rig has none. */
  readonly bankId: BankId | null
  /** The position the next press of a switch will do, where it is not 0. */
  readonly next: { readonly [switchId: string]: number }
  /** What devices remember, where it is not what they remember at power on. */
  readonly devices: { readonly [deviceId: string]: DeviceState }
  /** When the wire will have sent all it was given, in µs on the same clock as inputs. */
  readonly wireFreeAt: number
}

export type FloorInput = { readonly at: number } & (
  | { readonly kind: SwitchEvent; readonly switchId: SwitchId }
  | { readonly kind: 'bank'; readonly bankId: BankId }
  /** Messages for one device, sent by hand. */
  | { readonly kind: 'send'; readonly deviceId: DeviceId; readonly messages: readonly ChannelMessage[] }
)

/** One message on the wire; `start` and `end` are on the clock of the inputs. */
export interface WireEntry extends TimedMessage {
  /** Every device that answers to it, in their order. */
  readonly heardBy: readonly DeviceId[]
}

export interface StepResult {
  readonly state: FloorState
  readonly wire: readonly WireEntry[]
}

export const floorAtPowerOn = (rig: Rig): FloorState => ({
  bankId: byIndex(rig.banks)[0]?.id ?? null,
  next: {},
  devices: {},
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
    return { state: isHere ? state : { ...state, bankId: input.bankId }, wire: [] }
  }
  if (input.kind === 'send') {
    const { deviceId } = input
    const bank = own(rig.banks, state.bankId ?? '')
    const controllerId = bank?.controllerId ?? inOrder(rig.controllers)[0]?.id ?? ''
    const messages = input.messages.map((message) => ({ message, deviceId, action: 0 }))
    return transmit(state, deliveries(rig, controllerId, messages), input.at)
  }
  const footswitch = own(rig.switches, input.switchId)
  if (!footswitch) return { state, wire: [] }
  // An edit may have taken positions away since the last press.
  const position = (own(state.next, footswitch.id) ?? 0) % footswitch.positions.length
  const { positions, release } = planned(rig, footswitch)
  const sent = transmit(state, input.kind === 'press' ? positions[position]! : release, input.at)
  if (input.kind === 'release' || footswitch.positions.length === 1) return sent
  const next = { ...state.next, [footswitch.id]: (position + 1) % footswitch.positions.length }
  return { state: { ...sent.state, next }, wire: sent.wire }
}

/** A message with all about its way that does not depend on when it is sent. */
interface Delivery extends CompiledMessage {
  readonly bytes: Uint8Array
  /** On the wire, in µs. */
  readonly length: number
  readonly heardBy: readonly DeviceId[]
  readonly hearers: readonly Hearer[]
}

interface Hearer {
  readonly id: DeviceId
  readonly numbering: Numbering
  readonly chart: DeviceChart
}

/** What the presses of a switch do to the floor. Worked out once, since it is done at every press. */
const planned = perRow(
  [...CABLING, 'controls', 'presets', 'banks'],
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

function deliveries(rig: Rig, controllerId: string, messages: readonly CompiledMessage[]): Delivery[] {
  const around = listeners(rig, controllerId)
  return schedule(messages).map(({ message, deviceId, action, bytes, start, end }) => {
    const lane = around.find(({ device }) => device.id === deviceId)?.lane
    const hearers = around
      .filter((listener) => listener.lane === lane && answers(listener, message))
      .map(({ device: { id, numbering } }) => ({ id, numbering, chart: chartOf(rig, id) }))
    return {
      message,
      deviceId,
      action,
      bytes,
      length: end - start,
      heardBy: hearers.map(({ id }) => id),
      hearers,
    }
  })
}

/** Puts messages on the wire one behind the other and lets every device they come to answer. */
function transmit(state: FloorState, messages: readonly Delivery[], at: number): StepResult {
  if (messages.length === 0) return { state, wire: [] }
  const devices: { [deviceId: string]: DeviceState } = { ...state.devices }
  let wireFreeAt = Math.max(at, state.wireFreeAt)
  // Written out: spreading one object into another is ten times slower here, and this runs at every press.
  const wire = messages.map(({ message, deviceId, action, bytes, length, heardBy, hearers }) => {
    const start = wireFreeAt
    wireFreeAt += length
    for (const { id, numbering, chart } of hearers)
      devices[id] = receive(numbering, own(devices, id) ?? DEVICE_AT_POWER_ON, message, chart)
    return { message, deviceId, action, bytes, start, end: wireFreeAt, heardBy }
  })
  return { state: { bankId: state.bankId, next: state.next, devices, wireFreeAt }, wire }
}
