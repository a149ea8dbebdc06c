import { own } from '#core/base'
import { hexOf, wireTime } from '#core/midi'
import {
  type DumpMessage,
  byIndex,
  inOrder,
  type Rig,
  type Dumping,
  highestValue,
  storedValue,
} from '#core/rig'
import { messageBytes } from './exclusives'

/**
 * A simulated device with the id for non-commercial use, 7D (M1 v4.2.1, "System Exclusive ID numbers"). Its own messages are
 * `F0 7D unit 10 preset data... checksum F7` (a preset), `F0 7D unit 11 preset F7` (ask for one; 7F for all), and its
 * answers `12` (taken) and `13` (refused) for a preset it was sent.
 */
export interface StandInDevice {
  readonly unit: number
  /** The data of each preset, from 0. */
  readonly presets: readonly (readonly number[])[]
  /** Of what it sends and of what it is sent it loses the message with this number, from 1; null for none. */
  readonly loses: number | null
  /** Messages it has sent or was sent in this go. */
  readonly count: number
  /** It stores what it was sent until then, in ms, and hears nothing meanwhile. */
  readonly busyUntil: number
}

/** What comes back: so many ms after the message was whole, its last byte out. */
export interface StandInAnswer {
  readonly bytes: Uint8Array
  readonly ms: number
}

const [MAKER, PRESET, ASK, TAKEN, REFUSED] = [0x7d, 0x10, 0x11, 0x12, 0x13] as const
const ALL = 0x7f
/** It thinks so long before it answers, pauses so long between two presets, and stores one so long, in ms. */
const [THINKS, PAUSES, STORES] = [5, 40, 15] as const
const NAME_LETTERS = 12
const VALUES_MAX = 40
const PRESETS_MAX = 127

/** The checksum brings all from the id on to a multiple of 128. */
const closed = (body: readonly number[]): Uint8Array =>
  Uint8Array.from([0xf0, ...body, -body.reduce((sum, byte) => sum + byte, 0) & 0x7f, 0xf7])

/** A device as it would stand there with the presets of the rig: their names and what they recall. */
export function standInDevice(rig: Rig, deviceId: string): StandInDevice {
  const device = own(rig.devices, deviceId)
  const controls = controlsOf(rig, deviceId)
  const presets = byIndex(rig.presets).filter((one) => one.deviceId === deviceId)
  const unit = device ? inOrder(rig.devices).indexOf(device) % 0x7f : 0
  return {
    unit,
    presets: presets.slice(0, PRESETS_MAX).map(({ name, ...preset }) => [
      ...Array.from({ length: NAME_LETTERS }, (_, n) => {
        const code = name.charCodeAt(n)
        return code >= 0x20 && code < 0x7f ? code : 0x20
      }),
      ...controls.map(({ id, address }) => {
        const value = storedValue(preset, id) ?? 0
        return Math.round((value * 127) / Math.max(127, highestValue(address)))
      }),
    ]),
    loses: null,
    count: 0,
    busyUntil: Number.NEGATIVE_INFINITY,
  }
}

const controlsOf = (rig: Rig, deviceId: string) =>
  inOrder(rig.controls)
    .filter((one) => one.deviceId === deviceId)
    .slice(0, VALUES_MAX)

/** What a manual would say of such a device's dumps. */
export function standInDumping(rig: Rig, deviceId: string): Dumping {
  const device = standInDevice(rig, deviceId)
  const controls = controlsOf(rig, deviceId)
  return {
    checksum: { kind: 'sum', from: 1 },
    bytes: 5 + NAME_LETTERS + controls.length + 2,
    count: device.presets.length || null,
    place: 4,
    values: [
      ...Array.from({ length: NAME_LETTERS }, (_, n) => ({ at: 5 + n, name: `Name, letter ${n + 1}` })),
      ...controls.map(({ section, name }, n) => ({
        at: 5 + NAME_LETTERS + n,
        name: [section, name].filter(Boolean).join(' ').slice(0, 60),
      })),
    ],
    ask: hexOf(askAll(device.unit)),
    pauseMs: STORES,
  }
}

const askAll = (unit: number): readonly number[] => [0xf0, MAKER, unit, ASK, ALL, 0xf7]

/** `F0 7E 7F 06 01 F7`: who is there? (M1 v4.2.1, "Identity Request"; from memory). */
export const IDENTITY_REQUEST: readonly number[] = [0xf0, 0x7e, 0x7f, 0x06, 0x01, 0xf7]

/** Of its answers to what was sent back: how many presets it took, and how many it refused. */
export function standInTook(answers: readonly DumpMessage[]): {
  readonly taken: number
  readonly refused: number
} {
  const commands = answers.map((one) => messageBytes(one)[3])
  const count = (command: number) => commands.filter((one) => one === command).length
  return { taken: count(TAKEN), refused: count(REFUSED) }
}

/** Begins a new go: it may lose a message of it. */
export const inNewGo = (device: StandInDevice, loses: number | null): StandInDevice => ({
  ...device,
  loses,
  count: 0,
})

/** What the device makes of one message that came whole at `at`, in ms, over a wire. */
export function hearDump(
  device: StandInDevice,
  bytes: Uint8Array,
  at: number,
): { readonly device: StandInDevice; readonly answers: readonly StandInAnswer[] } {
  const nothing = { device, answers: [] }
  const data = Array.from(bytes.subarray(1, -1))
  if (bytes[0] !== 0xf0 || bytes.at(-1) !== 0xf7) return nothing
  // Whatever begins while it stores goes by.
  if (at - wireTime(bytes.length) / 1000 < device.busyUntil - 0.5) return nothing
  if (data[0] === 0x7e) return identified(device, data)
  if (data[0] !== MAKER || data[1] !== device.unit) return nothing
  const [, , command, place = 0] = data
  if (command === ASK) return sent(device, place)
  return command === PRESET ? taken(device, bytes, place, at) : nothing
}

/** `F0 7E dd 06 02 mm ff ff nn nn ss ss ss ss F7` (M1 v4.2.1, "Identity Reply"; from memory). */
function identified(device: StandInDevice, [, channel, sub, kind]: readonly number[]) {
  const isAsked = sub === 0x06 && kind === 0x01 && (channel === ALL || channel === device.unit)
  const reply = [0xf0, 0x7e, device.unit, 0x06, 0x02, MAKER, 0, 0, device.unit, 0, 1, 0, 0, 0, 0xf7]
  return { device, answers: isAsked ? [{ bytes: Uint8Array.from(reply), ms: THINKS }] : [] }
}

function sent(device: StandInDevice, place: number) {
  const asked = device.presets.flatMap((data, n) => (place === ALL || place === n ? [{ data, n }] : []))
  let [ms, { count }] = [0, device]
  const answers = asked.flatMap(({ data, n }): StandInAnswer[] => {
    const message = closed([MAKER, device.unit, PRESET, n, ...data])
    ms += (ms === 0 ? THINKS : PAUSES) + wireTime(message.length) / 1000
    count++
    return count === device.loses ? [] : [{ bytes: message, ms }]
  })
  return { device: { ...device, count }, answers }
}

function taken(device: StandInDevice, bytes: Uint8Array, place: number, at: number) {
  const count = device.count + 1
  if (count === device.loses) return { device: { ...device, count }, answers: [] }
  const body = Array.from(bytes.subarray(1, -1))
  const isWhole = body.reduce((sum, byte) => sum + byte, 0) % 128 === 0
  const isRoom = place <= device.presets.length && place < PRESETS_MAX
  const answer = Uint8Array.from([0xf0, MAKER, device.unit, isWhole && isRoom ? TAKEN : REFUSED, place, 0xf7])
  const answers = [{ bytes: answer, ms: THINKS }]
  if (!isWhole || !isRoom) return { device: { ...device, count }, answers }
  const presets = [...device.presets]
  presets[place] = body.slice(4, -1)
  return { device: { ...device, presets, count, busyUntil: at + STORES }, answers }
}
