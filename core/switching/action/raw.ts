import { own, type U7 } from '#core/base'
import { encodeMessage, hexOf, readBytes, controlChange, programChange, type MidiMessage } from '#core/midi'
import { receivers, sendChannel, type Rig, type ActionOf, type Device } from '#core/rig'
import { devicesMeant } from '../phrase/controls'
import { numberSaid } from '../phrase/numberSaid'
import type { PhraseReading } from '../phrase/phrase'
import type { ActionDoes } from './actionDoes'
import { firstReceiver } from '../starting'

export const raw: ActionDoes<ActionOf<'raw'>> = {
  starts: (rig) => {
    const device = firstReceiver(rig)
    const channel = device && sendChannel(rig, device)
    return device && channel !== null
      ? {
          kind: 'raw',
          deviceId: device.id,
          hex: hexOf(encodeMessage(controlChange(channel, 20 as U7, 127 as U7))),
        }
      : null
  },
  steps: (rig, { deviceId, hex }) => {
    const read = readBytes(hex)
    if (!read.ok || !own(rig.devices, deviceId)) return []
    return read.value.messages.map((message) => ({ kind: 'send', deviceId, message }))
  },
  isFree: true,
  further: (_, action, { series, n }) =>
    series === 'controller' || series === 'value' || series === 'channel'
      ? movedBytes(action, series, n)
      : action,
  reads: (rig, { words }) =>
    devicesMeant(rig, words).flatMap(({ device, left, fit }): PhraseReading[] => {
      if (device.kind !== 'receiver') return []
      const numbered = numberMeant(rig, device, left)
      const hex = numbered ?? bytesMeant(rig, device, left)
      if (hex === null) return []
      return [
        { action: { kind: 'raw', deviceId: device.id, hex }, byNumber: numbered !== null, sureness: fit },
      ]
    }),
}

/** "CC 20 64", "PC 5", on the device's channel, which may be said: what its chart has is a control, and read as one. */
function numberMeant(rig: Rig, device: Device, words: readonly string[]): string | null {
  const channel = sendChannel(rig, device)
  const [cc, pc] = [numberSaid(words, 'cc'), numberSaid(words, 'pc')]
  const said = cc ?? pc
  const [value, ...more] = said?.left ?? []
  const fits = (number: number) => number <= 127
  if (!said || channel === null || more.length > 0 || !fits(said.number)) return null
  if (said.channel !== null && said.channel !== channel) return null
  if (!cc) return value === undefined ? hexOf(encodeMessage(programChange(channel, said.number as U7))) : null
  if (!/^\d{1,3}$/.test(value ?? '') || !fits(Number(value)) || hasControl(rig, device, said.number))
    return null
  return hexOf(encodeMessage(controlChange(channel, said.number as U7, Number(value) as U7)))
}

const hasControl = (rig: Rig, device: Device, number: number): boolean =>
  Object.values(rig.controls).some(
    ({ deviceId, kind, address }) =>
      deviceId === device.id && kind !== 'reserved' && address.kind === 'cc' && address.number === number,
  )

/** The bytes themselves: meant for the device on their channel. */
function bytesMeant(rig: Rig, device: Device, words: readonly string[]): string | null {
  const channel = sendChannel(rig, device)
  const read =
    words.length > 0 && words.every((word) => /^(?:0x)?[0-9a-f]{2}$/.test(word))
      ? readBytes(words.join(' '))
      : null
  if (!read?.ok) return null
  const on = read.value.messages.flatMap((one) => ('channel' in one ? [one.channel] : []))
  const isOurs = on.length > 0 ? on.every((one) => one === channel) : device === receivers(rig)[0]
  return isOurs ? hexOf(read.value.bytes) : null
}

/** The first message of the bytes moved on; the others with it where they are of the channel. */
function movedBytes(
  action: ActionOf<'raw'>,
  what: 'controller' | 'value' | 'channel',
  n: number,
): ActionOf<'raw'> | null {
  const read = readBytes(action.hex)
  if (!read.ok) return null
  const moved: MidiMessage[] = []
  for (const message of read.value.messages) {
    const one = movedMessage(message, what, n)
    if (!one) return null
    moved.push(one)
  }
  return { ...action, hex: hexOf(moved.flatMap((message) => [...encodeMessage(message)])) }
}

function movedMessage(
  message: MidiMessage,
  what: 'controller' | 'value' | 'channel',
  n: number,
): MidiMessage | null {
  const up = (value: number, most: number) => (value + n > most ? null : value + n)
  const put = (field: string, value: number | null) =>
    value === null ? null : ({ ...message, [field]: value } as MidiMessage)
  if (what === 'channel') return 'channel' in message ? put('channel', up(message.channel, 16)) : message
  if (what === 'controller')
    return message.kind === 'control' ? put('controller', up(message.controller, 127)) : message
  if (message.kind === 'control') return put('value', up(message.value, 127))
  if (message.kind === 'program') return put('program', up(message.program, 127))
  return message
}
