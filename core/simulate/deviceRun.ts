import { own } from '#core/base'
import { loopHeld } from '#core/looper'
import type { MidiMessage } from '#core/midi'
import { isLostWhileLoading, type Device, type DeviceId } from '#core/rig'
import { hasBeat, hearContact, hearControlFor, hearRealTime, type Heard } from './beat'
import type { DeviceChart } from './chartIndex'
import { DEVICE_AT_POWER_ON, hasAnswer, moveContact, receive, switchedOn, type DeviceState } from './device'
import type { ContactDone, FloorState, WireEntry } from './floor'
import { over } from './over'
import type { Message } from './plan'

/** A foot that stays on a looper: what that does later. */
export interface LoopHold {
  readonly deviceId: DeviceId
  readonly input: string
  /** When the foot came down, in µs. */
  readonly since: number
}

/**
 * The devices while time passes: what they hear, what is lost while they load, what is off. Like `FloorRun` changed in place,
 * and that of the devices something came to alone.
 */
export class DeviceRun {
  readonly #devices: FloorState['devices']
  readonly #deafUntil: FloorState['deafUntil']
  /** Devices that something came to, as they are by now; and until when those that load are deaf. */
  readonly #moved = new Map<string, DeviceState>()
  readonly #deaf = new Map<string, number>()
  #off: FloorState['off']
  readonly #onHold: (hold: LoopHold, at: number) => void

  /** `onHold`: a foot stays on a looper, which does something at `at` if it still does then. */
  constructor(
    { devices, deafUntil, off }: Pick<FloorState, 'devices' | 'deafUntil' | 'off'>,
    onHold: (hold: LoopHold, at: number) => void,
  ) {
    this.#devices = devices
    this.#deafUntil = deafUntil
    this.#off = off
    this.#onHold = onHold
  }

  get off(): FloorState['off'] {
    return this.#off
  }

  isOff(id: string): boolean {
    return own(this.#off, id) !== undefined
  }

  of(id: string): DeviceState {
    return this.#moved.get(id) ?? own(this.#devices, id) ?? DEVICE_AT_POWER_ON
  }

  now(): FloorState['devices'] {
    return over(this.#devices, this.#moved)
  }

  /** Switched off it forgets all but its contacts; switched on it plays what it plays then. */
  power(device: Device, isOn: boolean, chart: DeviceChart): void {
    const { [device.id]: _, ...others } = this.#off
    this.#off = isOn ? others : { ...others, [device.id]: true }
    const { contacts } = this.of(device.id)
    this.#moved.set(device.id, { ...(isOn ? switchedOn(device, chart) : DEVICE_AT_POWER_ON), contacts })
    this.#deaf.set(device.id, 0)
  }

  /** A control is led by what is in the device's own jack. */
  setLocal(deviceId: DeviceId, controlId: string, value: number): void {
    if (this.isOff(deviceId)) return
    const before = this.of(deviceId)
    if (own(before.controls, controlId) === value) return
    this.#moved.set(deviceId, {
      ...before,
      lastControl: controlId,
      controls: { ...before.controls, [controlId]: value },
    })
  }

  /** A message arrives at all that hear it: the entry with who lost it, and who has nothing for it. */
  arrive({ message, hearers }: Message, entry: WireEntry): WireEntry {
    let lostBy = NOBODY
    let nothingFor = NOBODY
    for (const { id, numbering, chart, deaf, beats } of hearers) {
      if (deaf > 0 && isLostWhileLoading(message) && entry.start < this.#deafOf(id)) {
        lostBy = [...lostBy, id]
        continue
      }
      // It was switched off while the message was on its way.
      if (this.isOff(id)) continue
      const before = this.of(id)
      const after = receive(numbering, before, message, chart)
      const beaten = beats === null ? after : this.#beat(beats, after, message, chart, entry.end)
      if (beaten !== before) this.#moved.set(id, beaten)
      else if (!hasAnswer(before, message, chart)) nothingFor = [...nothingFor, id]
      if (deaf > 0 && message.kind === 'program') this.#deaf.set(id, entry.end + deaf)
    }
    return lostBy === NOBODY && nothingFor === NOBODY ? entry : { ...entry, lostBy, nothingFor }
  }

  /** A contact is closed or opened; `device` null where cables lead to none. */
  close(device: Device | null, set: ContactDone): void {
    const moved = moveContact(this.of(set.deviceId), set, set.calls)
    const heard =
      device && hasBeat(device) && !this.isOff(set.deviceId)
        ? hearContact(device, moved, set.contactId, set.isClosed, set.at)
        : null
    this.#moved.set(set.deviceId, heard?.state ?? moved)
    if (heard) this.#mayHold(set.deviceId, heard, set.at)
  }

  /** A foot has stayed on a looper for as long as that waits for. */
  hold({ looper }: Pick<Device, 'looper'>, { deviceId, input, since }: LoopHold, at: number): void {
    const before = this.of(deviceId)
    if (!looper || !before.loop || this.isOff(deviceId)) return
    const loop = loopHeld(looper, before.loop, input, since, at)
    if (loop !== before.loop) this.#moved.set(deviceId, { ...before, loop })
  }

  /** Until when who is deaf; from `at` on only those that still are, where nothing is on its way that began before (`at` null). */
  deafUntil(at: number | null): FloorState['deafUntil'] {
    if (at === null) return over(this.#deafUntil, this.#deaf)
    let all: { [deviceId: string]: number } | null = null
    for (const id in this.#deafUntil) {
      const until = this.#deafUntil[id]!
      if (until > at && !this.#deaf.has(id)) (all ??= {})[id] = until
    }
    for (const [id, until] of this.#deaf) if (until > at) (all ??= {})[id] = until
    return all ?? NOBODY_DEAF
  }

  #deafOf(id: string): number {
    return this.#deaf.get(id) ?? own(this.#deafUntil, id) ?? 0
  }

  /** What a message does to the beat or the loop of a device. */
  #beat(
    device: Device,
    state: DeviceState,
    message: MidiMessage,
    chart: DeviceChart,
    at: number,
  ): DeviceState {
    if (message.kind !== 'control') return device.followsClock ? hearRealTime(state, message, at) : state
    const control = chart.controls.get(`cc/${message.controller}`)
    if (!control || !hasAnswer(state, message, chart)) return state
    const { reading } = control
    const isWhole = reading.kind !== 'switch' && reading.kind !== 'range'
    const isDown = 'value' in reading ? message.value === reading.value : message.value > U7_OFF
    const heard = hearControlFor(device, state, control.id, isDown, isWhole, at)
    this.#mayHold(device.id, heard, at)
    return heard.state
  }

  #mayHold(deviceId: DeviceId, { hold }: Pick<Heard<DeviceState>, 'hold'>, at: number): void {
    if (hold) this.#onHold({ deviceId, input: hold.input, since: at }, at + hold.after)
  }
}

const NOBODY: WireEntry['lostBy'] = []
const NOBODY_DEAF: FloorState['deafUntil'] = {}
/** Up to this a switch is off (M1 v4.2.1, "Control Change"; from memory). */
const U7_OFF = 63
