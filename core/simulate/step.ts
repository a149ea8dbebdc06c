import type { ChannelMessage } from '../midi/message'
import { byIndex, inOrder, type Rig } from '../rig/rig'
import type { BankId } from '../rig/table/bank'
import type { DeviceId } from '../rig/table/device'
import type { SwitchId } from '../rig/table/switch'
import { compile, type CompiledMessage, type SwitchEvent } from '../switching/compile'
import { schedule, type TimedMessage } from '../switching/schedule'
import { chartOf } from './chartIndex'
import { DEVICE_AT_POWER_ON, receive, type DeviceState } from './device'
import { answers, listeners, type Listener } from './listeners'

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
  state.devices[deviceId] ?? DEVICE_AT_POWER_ON

/**
 * One thing done on the floor: the state after it and what went down the wire. Messages wait for the
 * wire to be free; a device answers only where the cables lead to it, and on its own channel. A switch or
 * bank that does not exist changes nothing and returns the same state.
 */
export function step(rig: Rig, state: FloorState, input: FloorInput): StepResult {
  if (input.kind === 'bank') {
    const isHere = input.bankId === state.bankId || !rig.banks[input.bankId]
    return { state: isHere ? state : { ...state, bankId: input.bankId }, wire: [] }
  }
  if (input.kind === 'send') {
    const { deviceId } = input
    const controllerId = rig.banks[state.bankId ?? '']?.controllerId ?? inOrder(rig.controllers)[0]?.id ?? ''
    const messages = input.messages.map((message) => ({ message, deviceId, action: 0 }))
    return transmit(rig, listeners(rig, controllerId), state, messages, input.at)
  }
  const footswitch = rig.switches[input.switchId]
  if (!footswitch) return { state, wire: [] }
  // An edit may have taken positions away since the last press.
  const position = (state.next[footswitch.id] ?? 0) % footswitch.positions.length
  const controllerId = rig.banks[footswitch.bankId]?.controllerId ?? ''
  const messages = compile(rig, footswitch, input.kind, position)
  const sent = transmit(rig, listeners(rig, controllerId), state, messages, input.at)
  if (input.kind === 'release' || footswitch.positions.length === 1) return sent
  const next = { ...state.next, [footswitch.id]: (position + 1) % footswitch.positions.length }
  return { state: { ...sent.state, next }, wire: sent.wire }
}

function transmit(
  rig: Rig,
  around: readonly Listener[],
  state: FloorState,
  messages: CompiledMessage[],
  at: number,
): StepResult {
  if (messages.length === 0) return { state, wire: [] }
  const devices: { [deviceId: string]: DeviceState } = { ...state.devices }
  const wire = schedule(messages, Math.max(at, state.wireFreeAt)).map(
    ({ message, deviceId, action, bytes, start, end }) => {
      const heardBy = deliver(rig, around, devices, message, deviceId)
      return { message, deviceId, action, bytes, start, end, heardBy }
    },
  )
  return { state: { ...state, devices, wireFreeAt: wire.at(-1)!.end }, wire }
}

/** Lets every device the message comes to answer; returns which did. */
function deliver(
  rig: Rig,
  around: readonly Listener[],
  devices: { [deviceId: string]: DeviceState },
  message: ChannelMessage,
  meantFor: DeviceId,
): DeviceId[] {
  const heardBy: DeviceId[] = []
  const out = around.find(({ device }) => device.id === meantFor)?.lane
  for (const listener of around) {
    const { device } = listener
    if (listener.lane !== out || !answers(listener, message)) continue
    heardBy.push(device.id)
    devices[device.id] = receive(
      device.numbering,
      devices[device.id] ?? DEVICE_AT_POWER_ON,
      message,
      chartOf(rig, device.id),
    )
  }
  return heardBy
}
