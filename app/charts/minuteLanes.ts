import { scaleLinear } from 'd3-scale'
import { own, fixedText } from '#core/base'
import type { Rig } from '#core/rig'
import type { FloorMinute, WireEntry } from '#core/simulate'
import { gestureText } from '~/text/gestures'
import { messageText, messageTone, type WireTone } from '#shared/words/messages'

/** A stretch of the floor's time, in µs. */
export interface Stretch {
  readonly from: number
  readonly to: number
}

/** Something to draw on a lane. The text says what it is. */
export interface LaneMark {
  readonly x: number
  readonly width: number
  readonly tone: WireTone | 'deaf' | 'lost' | 'wait' | 'contact' | 'tap' | 'foot' | 'power'
  readonly text: string
  /** Whether its text fits inside. */
  readonly hasText: boolean
}

export interface MinuteLane {
  readonly key: string
  readonly name: string
  readonly marks: readonly LaneMark[]
}

export interface MinuteDrawing {
  readonly lanes: readonly MinuteLane[]
  readonly ticks: readonly { readonly x: number; readonly text: string }[]
}

/** Width of a letter, and room for one time, in px. */
const LETTER = 6.6
const TICK = 90
/** The longest message: a dump of some kilobytes, in µs. */
const LONGEST = 4_000_000
/** The longest a device is deaf, and a list waits, in µs. */
const LONGEST_DEAF = 5_000_000

/** How an output is called; `lane` is empty where all carry the same. */
export function outputName(rig: Rig, lane: string): string {
  if (lane === '') return 'Out'
  for (const { ports } of Object.values(rig.controllers)) {
    const port = ports.find(({ id }) => id === lane)
    if (port) return port.name
  }
  return lane
}

/**
 * What happened in a stretch of time, laid out `width` px long on one true axis: for each output a lane for each device it
 * spoke to and one for its clock, then contacts, feet, waits and taps. Marks that fall on one pixel of a lane are drawn once.
 */
export function minuteLanes(
  rig: Rig,
  minute: FloorMinute,
  { from, to }: Stretch,
  width: number,
): MinuteDrawing {
  const scale = scaleLinear([from, Math.max(to, from + 1)], [0, Math.max(width, 1)])
  const lanes = new Map<string, { name: string; marks: LaneMark[]; lastX: number }>()
  const put = (
    key: string,
    name: string,
    tone: LaneMark['tone'],
    start: number,
    end: number,
    text: string,
    least = 1.5,
  ) => {
    if (end < from || start > to) return
    let lane = lanes.get(key)
    if (!lane) lanes.set(key, (lane = { name, marks: [], lastX: -1 }))
    const x = Math.max(0, scale(start))
    const wide = Math.max(Math.min(width, scale(end)) - x, least)
    if (wide <= least && Math.floor(x) === lane.lastX && tone !== 'lost') return
    lane.lastX = Math.floor(x)
    lane.marks.push({ x, width: wide, tone, text, hasText: text.length * LETTER + 8 <= wide })
  }
  const entries = minute.wire.between(from, to + LONGEST)
  for (const entry of entries) if (entry.message.kind !== 'clock') putMessage(rig, entry, put)
  for (const { deviceId, from: start, to: end } of minute.deaf.between(from - LONGEST_DEAF, to)) {
    const spoken = entries.find((one) => one.heardBy.includes(deviceId as never))
    put(
      `${spoken?.lane ?? ''}/${deviceId}`,
      deviceName(rig, spoken?.lane ?? '', deviceId),
      'deaf',
      start,
      end,
      'loading',
    )
  }
  for (const entry of entries)
    if (entry.message.kind === 'clock')
      put(
        `${entry.lane}/~clock`,
        `${outputName(rig, entry.lane)} clock`,
        'clock',
        entry.start,
        entry.end,
        'Clock',
      )
  for (const { at, deviceId, isClosed } of minute.contacts.between(from, to))
    put('~1', 'Contacts', 'contact', at, at, `${nameOf(rig, deviceId)} ${isClosed ? 'closes' : 'opens'}`, 4)
  for (const { at, switchId, event } of minute.gestures.between(from, to)) {
    const one = own(rig.switches, switchId)
    put(
      '~2',
      'Feet',
      'foot',
      at,
      at,
      `${gestureText(event)} on ${one?.label || `switch ${one?.number ?? ''}`}`,
      4,
    )
  }
  for (const { from: start, to: end } of minute.waits.between(from - LONGEST_DEAF, to))
    put('~3', 'Waits', 'wait', start, end, `waits ${Math.round((end - start) / 1000)} ms`)
  for (const at of minute.taps.between(from, to)) put('~4', 'Taps', 'tap', at, at, 'Tap', 4)
  for (const { at, deviceId, isOn } of minute.powered.between(from, to))
    put(
      '~5',
      'Power',
      'power',
      at,
      at,
      deviceId === null ? 'Everything on' : `${nameOf(rig, deviceId)} ${isOn ? 'on' : 'off'}`,
      4,
    )
  return {
    lanes: [...lanes]
      .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0))
      .map(([key, { name, marks }]) => ({ key, name, marks })),
    ticks: scale
      .ticks(Math.max(1, Math.min(8, Math.floor(width / TICK))))
      .map((tick) => ({ x: scale(tick), text: momentText(tick, to - from) })),
  }
}

type Put = (
  key: string,
  name: string,
  tone: LaneMark['tone'],
  start: number,
  end: number,
  text: string,
) => void

function putMessage(rig: Rig, entry: WireEntry, put: Put): void {
  const { lane, start, end, message, deviceId, heardBy, lostBy } = entry
  const to = deviceId ?? (heardBy.length === 1 ? heardBy[0]! : null)
  const [key, name] =
    to === null
      ? [`${lane}/~all`, `${outputName(rig, lane)}, all`]
      : [`${lane}/${to}`, deviceName(rig, lane, to)]
  const isLost = lostBy.length > 0 || (deviceId !== null && !heardBy.includes(deviceId))
  put(
    key,
    name,
    isLost ? 'lost' : messageTone(message),
    start,
    end,
    `${messageText(message)}${isLost ? ', lost' : ''}`,
  )
}

const nameOf = (rig: Rig, id: string): string => own(rig.devices, id)?.name ?? 'removed'

const deviceName = (rig: Rig, lane: string, id: string): string =>
  lane === '' ? nameOf(rig, id) : `${outputName(rig, lane)}: ${nameOf(rig, id)}`

/** A moment of the floor's time, as fine as the stretch shown. */
export function momentText(at: number, span: number): string {
  const digits = span < 20_000 ? 4 : span < 200_000 ? 3 : span < 5_000_000 ? 2 : span < 30_000_000 ? 1 : 0
  // Rounded first: 59.96 s is 1:00.0 and not 0:60.0.
  const seconds = Number(fixedText(at / 1_000_000, digits))
  const minutes = Math.floor(seconds / 60)
  const rest = fixedText(seconds - minutes * 60, digits).padStart(digits === 0 ? 2 : 3 + digits, '0')
  return `${minutes}:${rest}`
}
