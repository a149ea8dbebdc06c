import { own } from '#core/base'
import { parseMessages, type MidiMessage, bankHalf } from '#core/midi'
import {
  addressOf,
  findPreset,
  formatDisplay,
  highestValue,
  shownText,
  type Rig,
  type SwitchId,
} from '#core/rig'
import { readAt, type WireEntry } from '#core/simulate'
import type { Incoming } from '~/platform/midi'
import { messageText, messageTone, type WireTone } from '#shared/words/messages'
import { listText } from '#shared/words/counts'
import { outputName } from './minuteLanes'

/** One message as the monitor shows it. */
export interface MonitorRow {
  readonly key: string
  /** When it began, in µs of the floor; of what came in, in ms of the page. */
  readonly at: number
  readonly isIn: boolean
  readonly where: string
  readonly deviceIds: readonly string[]
  readonly kind: WireTone
  readonly text: string
  readonly words: string
  /** What became of it where that is not what was meant; empty when all is well. */
  readonly fault: string
  readonly by: SwitchId | null
  readonly bytes: Uint8Array
  readonly message: MidiMessage | null
}

export interface MonitorFilter {
  readonly deviceId: string
  readonly kind: '' | WireTone | 'in'
  readonly switchId: string
  readonly withClock: boolean
}

export const ALL: MonitorFilter = { deviceId: '', kind: '', switchId: '', withClock: false }

const name = (rig: Rig, id: string): string => own(rig.devices, id)?.name ?? 'removed'

/** What a message is to a device, in the player's words. */
function wordsFor(rig: Rig, deviceId: string, message: MidiMessage): string {
  const device = own(rig.devices, deviceId)
  if (!device) return 'removed'
  if (message.kind === 'program') {
    const { numbering } = device
    const isSure = numbering.bankSelect === 'none' && message.program < numbering.count
    if (!isSure) return `${device.name}: program ${message.program} of the bank selected`
    const index = [message.program].find((one) => addressOf(numbering, one).program === message.program)
    const preset = index === undefined ? null : findPreset(rig, device.id, index)
    return `${device.name}: recalls ${index === undefined ? '' : formatDisplay(numbering, index)} ${preset?.name ?? ''}`.trim()
  }
  if (message.kind === 'control') {
    if (bankHalf(message) !== null) return `${device.name}: selects a bank`
    const read = readAt(rig, deviceId, message.controller, message.value).map(({ control, value }) => {
      const highest = highestValue(control.address)
      return `${control.name} ${shownText(control.reading, Math.min(highest, Math.max(0, value)), highest)}`
    })
    return read.length === 0
      ? `${device.name}: CC ${message.controller}`
      : `${device.name}: ${listText(read)}`
  }
  return device.name
}

const SELF: { readonly [Kind in MidiMessage['kind']]?: string } = {
  clock: 'Tick of the clock, 24 a quarter',
  start: 'Clock starts',
  stop: 'Clock stops',
  continue: 'Clock goes on',
}

function faultOf(rig: Rig, { deviceId, heardBy, lostBy, nothingFor, message }: WireEntry): string {
  const faults = [
    ...(lostBy.length > 0 ? [`lost: ${listText(lostBy.map((id) => name(rig, id)))} is loading`] : []),
    ...(nothingFor.length > 0
      ? [`${listText(nothingFor.map((id) => name(rig, id)))} has nothing there`]
      : []),
    ...(deviceId !== null && !heardBy.includes(deviceId)
      ? [`does not reach ${name(rig, deviceId)}`]
      : heardBy.length === 0 && 'channel' in message
        ? ['reaches no device']
        : []),
  ]
  return faults.join('; ')
}

function outRow(rig: Rig, entry: WireEntry): MonitorRow {
  const { message, start, bytes, by, lane, heardBy, deviceId } = entry
  const ids = heardBy.length > 0 && 'channel' in message ? heardBy : deviceId === null ? [] : [deviceId]
  return {
    key: `o${start}/${lane}/${bytes[0]}`,
    at: start,
    isIn: false,
    where: outputName(rig, lane),
    deviceIds: ids,
    kind: messageTone(message),
    text: messageText(message),
    words:
      SELF[message.kind] ?? (ids.map((id) => wordsFor(rig, id, message)).join('; ') || 'For nobody here'),
    fault: faultOf(rig, entry),
    by,
    bytes,
    message,
  }
}

function inRow({ at, from, bytes, isEcho }: Incoming): MonitorRow {
  const [message = null] = parseMessages(bytes).messages
  return {
    key: `i${at}/${bytes.join()}`,
    at,
    isIn: true,
    where: from,
    deviceIds: [],
    kind: message ? messageTone(message) : 'control',
    text: message ? messageText(message) : 'Not a whole message',
    words: isEcho ? 'One of ours, come back' : 'Came in',
    fault: '',
    by: null,
    bytes,
    message,
  }
}

/** What of the last minute a filter lets through, the newest last; no more than `most`. */
export function monitorRows(
  rig: Rig,
  wire: readonly WireEntry[],
  incoming: readonly Incoming[],
  filter: MonitorFilter,
  most: number,
): MonitorRow[] {
  const { deviceId, kind, switchId, withClock } = filter
  const rows: MonitorRow[] = []
  if (kind === 'in') return incoming.slice(-most).map(inRow)
  for (let n = wire.length - 1; n >= 0 && rows.length < most; n--) {
    const entry = wire[n]!
    if (!withClock && kind !== 'clock' && entry.message.kind === 'clock') continue
    if (kind !== '' && messageTone(entry.message) !== kind) continue
    if (switchId !== '' && entry.by !== switchId) continue
    if (deviceId !== '' && entry.deviceId !== deviceId && !entry.heardBy.includes(deviceId as never)) continue
    rows.push(outRow(rig, entry))
  }
  return rows.reverse()
}
