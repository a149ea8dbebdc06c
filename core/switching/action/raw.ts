import { own } from '../../base/own'
import { encodeMessage } from '../../midi/encode'
import { hexOf, readBytes } from '../../midi/hexBytes'
import { controlChange, programChange } from '../../midi/message'
import type { U7 } from '../../base/u7'
import { receivers, sendChannel } from '../../rig/channels'
import type { Rig } from '../../rig/rig'
import type { ActionOf } from '../../rig/table/action'
import type { Device } from '../../rig/table/device'
import { devicesMeant } from '../phrase/controls'
import type { Reading } from '../phrase/phrase'
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
  reads: (rig, { words }) =>
    devicesMeant(rig, words).flatMap(({ device, left, fit }): Reading[] => {
      const hex = device.kind === 'receiver' ? hexMeant(rig, device, left) : null
      return hex === null ? [] : [{ action: { kind: 'raw', deviceId: device.id, hex }, sureness: fit }]
    }),
}

/** "CC 20 64", "PC 5" on the device's channel, or the bytes themselves: meant for the device on their channel. */
function hexMeant(rig: Rig, device: Device, words: readonly string[]): string | null {
  const channel = sendChannel(rig, device)
  const [kind, first, second, ...more] = words
  const [a, b] = [first, second].map((word) => (/^\d{1,3}$/.test(word ?? '') ? Number(word) : null))
  const fits = (value: number | null | undefined): value is number =>
    typeof value === 'number' && value <= 127
  if (kind === 'cc' && channel !== null && fits(a) && fits(b) && more.length === 0)
    return hexOf(encodeMessage(controlChange(channel, a as U7, b as U7)))
  if (kind === 'pc' && channel !== null && fits(a) && second === undefined)
    return hexOf(encodeMessage(programChange(channel, a as U7)))
  const read =
    words.length > 0 && words.every((word) => /^(?:0x)?[0-9a-f]{2}$/.test(word))
      ? readBytes(words.join(' '))
      : null
  if (!read?.ok) return null
  const on = read.value.messages.flatMap((one) => ('channel' in one ? [one.channel] : []))
  const isOurs = on.length > 0 ? on.every((one) => one === channel) : device === receivers(rig)[0]
  return isOurs ? hexOf(read.value.bytes) : null
}
