import { own, compile, formatDisplay, schedule, type Footswitch, type Rig, type TimedMessage } from '#core'
import { messageText, messageTone } from '~/text/messages'

/** What one position of a switch does to one device: what a player checks at a glance. */
export interface SwitchLine {
  readonly key: string
  readonly device: string
  /** The program change as sent: PC 11. Empty when nothing reaches the device. */
  readonly sent: string
  /** As the device shows it, with its name: "B4 Dotted eighth". */
  readonly preset: string
}

/** One line per action of a position, in sending order. */
export function switchLines(rig: Rig, footswitch: Footswitch, position: number): SwitchLine[] {
  const messages = compile(rig, footswitch, 'press', position)
  return (footswitch.positions[position] ?? []).map(({ presetId }, action) => {
    const preset = own(rig.presets, presetId)
    const device = own(rig.devices, preset?.deviceId ?? '')
    const last = messages.findLast((one) => one.action === action)
    return {
      key: `${position}/${action}`,
      device: device?.name ?? '',
      sent: last ? messageText(last.message) : 'not sent',
      preset:
        preset && device ? `${formatDisplay(device.numbering, preset.index)} ${preset.name}`.trimEnd() : '',
    }
  })
}

export interface Sending {
  readonly messages: readonly TimedMessage[]
  readonly bytes: number
  /** µs from the first bit to the last. */
  readonly time: number
}

/** What one press puts on an idle wire. */
export function sendingOf(rig: Rig, footswitch: Footswitch, position: number): Sending {
  const messages = schedule(compile(rig, footswitch, 'press', position))
  return {
    messages,
    bytes: messages.reduce((sum, { bytes }) => sum + bytes.length, 0),
    time: messages.at(-1)?.end ?? 0,
  }
}

/** The same, as the chart takes it. */
export const laneInputs = (rig: Rig, messages: readonly TimedMessage[]) =>
  messages.map(({ deviceId, start, end, message }) => ({
    lane: own(rig.devices, deviceId)?.name ?? 'removed',
    start,
    end,
    text: messageText(message),
    tone: messageTone(message),
  }))
