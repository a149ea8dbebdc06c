import { refuse, accept, type Result } from '#core/base'
import { appendMessage } from './encode'
import type { MidiMessage } from './message'
import { channelMessageOf } from './messageOf'
import { parseMessages } from './parse'
import { CHANNEL_STATUS, dataLength, SYSTEM_STATUS } from './status'
import { appendVariableLength, decodeVariableLength } from './variableLength'

/** One thing in a track, `delta` ticks after the one before. */
export type MidiFileEvent = { readonly delta: number } & (
  | { readonly kind: 'trackName' | 'marker'; readonly text: string }
  /** Microseconds a quarter note: 500,000 is 120 bpm. */
  | { readonly kind: 'tempo'; readonly microseconds: number }
  | { readonly kind: 'message'; readonly message: MidiMessage }
)

export interface MidiFile {
  /** Ticks a quarter note, 1-32,767. */
  readonly ticksPerQuarter: number
  readonly tracks: readonly (readonly MidiFileEvent[])[]
}

export type MidiFileRefusal =
  | { readonly code: 'notAMidiFile' }
  | { readonly code: 'timeCodeDivision' }
  | { readonly code: 'endsEarly'; readonly at: number }
  | { readonly code: 'badEvent'; readonly at: number }

const META = 0xff
const META_TYPE = { trackName: 0x03, marker: 0x06, endOfTrack: 0x2f, tempo: 0x51 } as const

/** Standard MIDI File, format 0 for one track and 1 for more (RP-001). Text is written as UTF-8. */
export function encodeMidiFile(file: MidiFile): Uint8Array {
  const bytes: number[] = []
  const format = file.tracks.length === 1 ? 0 : 1
  bytes.push(
    ...ascii('MThd'),
    ...u32(6),
    ...u16(format),
    ...u16(file.tracks.length),
    ...u16(file.ticksPerQuarter),
  )
  for (const track of file.tracks) {
    const body: number[] = []
    for (const event of track) appendEvent(body, event)
    body.push(0, META, META_TYPE.endOfTrack, 0)
    bytes.push(...ascii('MTrk'), ...u32(body.length))
    for (const byte of body) bytes.push(byte)
  }
  return new Uint8Array(bytes)
}

function appendEvent(bytes: number[], event: MidiFileEvent): void {
  appendVariableLength(bytes, event.delta)
  if (event.kind === 'message') {
    appendFileMessage(bytes, event.message)
    return
  }
  const data =
    event.kind === 'tempo'
      ? [event.microseconds >> 16, (event.microseconds >> 8) & 0xff, event.microseconds & 0xff]
      : utf8(event.text)
  bytes.push(META, META_TYPE[event.kind])
  appendVariableLength(bytes, data.length)
  for (const byte of data) bytes.push(byte)
}

/**
 * Channel messages as on the wire; an exclusive one with its length after F0; all other system messages escaped by F7
 * and a length, since a file has no place for them as they are (RP-001, "sysex events"; from memory).
 */
function appendFileMessage(bytes: number[], message: MidiMessage): void {
  if ('channel' in message) {
    appendMessage(bytes, message)
    return
  }
  const wire = appendMessage([], message)
  const isExclusive = message.kind === 'exclusive'
  const data = isExclusive ? wire.slice(1) : wire
  bytes.push(isExclusive ? SYSTEM_STATUS.exclusive : SYSTEM_STATUS.endOfExclusive)
  appendVariableLength(bytes, data.length)
  for (const byte of data) bytes.push(byte)
}

/** Reads what {@link encodeMidiFile} writes, and any file of formats 0 and 1; unknown meta events are passed over. */
export function decodeMidiFile(bytes: Uint8Array): Result<MidiFile, MidiFileRefusal> {
  if (text(bytes, 0, 4) !== 'MThd' || bytes.length < 14) return refuse({ code: 'notAMidiFile' })
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const ticksPerQuarter = view.getUint16(12)
  if (ticksPerQuarter & 0x8000) return refuse({ code: 'timeCodeDivision' })
  const tracks: MidiFileEvent[][] = []
  let at = 8 + view.getUint32(4)
  while (tracks.length < view.getUint16(10)) {
    if (at + 8 > bytes.length) return refuse({ code: 'endsEarly', at })
    const end = at + 8 + view.getUint32(at + 4)
    if (end > bytes.length) return refuse({ code: 'endsEarly', at })
    // Chunks of an unknown type are passed over, as RP-001 asks.
    if (text(bytes, at, 4) === 'MTrk') {
      const track = decodeTrack(bytes, at + 8, end)
      if (!track.ok) return track
      tracks.push(track.value)
    }
    at = end
  }
  return accept({ ticksPerQuarter, tracks })
}

function decodeTrack(bytes: Uint8Array, from: number, end: number): Result<MidiFileEvent[], MidiFileRefusal> {
  const events: MidiFileEvent[] = []
  let at = from
  let running = 0
  /** An exclusive message in pieces, of which the last ends in F7 (RP-001, "sysex events"; from memory). */
  let pieces: number[] | null = null
  // Ticks of events passed over belong to the next one kept.
  let waiting = 0
  while (at < end) {
    // Most deltas are one byte.
    if (bytes[at]! < 0x80) waiting += bytes[at++]!
    else {
      const delta = decodeVariableLength(bytes, at)
      if (!delta) return refuse({ code: 'badEvent', at })
      at += delta.length
      waiting += delta.value
    }
    let status = bytes[at] ?? 0
    if (status >= 0x80) at++
    else status = running
    if (status < CHANNEL_STATUS.noteOff) return refuse({ code: 'badEvent', at })
    if (status < SYSTEM_STATUS.exclusive) {
      running = status
      const next = at + dataLength(status)
      const first = bytes[at] ?? 0xff
      const second = next - at === 2 ? (bytes[at + 1] ?? 0xff) : 0
      if (next > end || first > 0x7f || second > 0x7f) return refuse({ code: 'badEvent', at })
      events.push({ delta: waiting, kind: 'message', message: channelMessageOf(status, first, second) })
      waiting = 0
      at = next
      continue
    }
    running = 0
    const type = status === META ? bytes[at++] : undefined
    const length = decodeVariableLength(bytes, at)
    if (!length || at + length.length + length.value > end) return refuse({ code: 'badEvent', at })
    const data = bytes.subarray(at + length.length, at + length.length + length.value)
    at += length.length + length.value
    if (type === META_TYPE.endOfTrack) return pieces ? refuse({ code: 'badEvent', at }) : accept(events)
    if (status === SYSTEM_STATUS.exclusive || (pieces && status === SYSTEM_STATUS.endOfExclusive)) {
      if (pieces && status === SYSTEM_STATUS.exclusive) return refuse({ code: 'badEvent', at })
      pieces = [...(pieces ?? []), ...data]
      if (pieces.at(-1) !== SYSTEM_STATUS.endOfExclusive) continue
      const message = exclusiveOf(pieces)
      if (!message) return refuse({ code: 'badEvent', at })
      events.push({ delta: waiting, kind: 'message', message })
      waiting = 0
      pieces = null
      continue
    }
    const event = systemEvent(status, type, data)
    if (event) {
      events.push({ delta: waiting, ...event })
      waiting = 0
    }
  }
  return refuse({ code: 'endsEarly', at })
}

/** The one message that its bytes after F0 are, real-time bytes left out; null where they are garbled. */
function exclusiveOf(data: readonly number[]): MidiMessage | null {
  const { messages, garbage } = parseMessages([SYSTEM_STATUS.exclusive, ...data])
  const [message, ...others] = messages.filter(({ kind }) => kind === 'exclusive')
  return message && others.length === 0 && garbage.length === 0 ? message : null
}

type Undated<Event> = Event extends unknown ? Omit<Event, 'delta'> : never

function systemEvent(
  status: number,
  type: number | undefined,
  data: Uint8Array,
): Undated<MidiFileEvent> | null {
  if (status === SYSTEM_STATUS.endOfExclusive) {
    const [message, ...others] = parseMessages(data).messages
    return message && others.length === 0 ? { kind: 'message', message } : null
  }
  switch (type) {
    case META_TYPE.tempo:
      return data.length === 3
        ? { kind: 'tempo', microseconds: (data[0]! << 16) | (data[1]! << 8) | data[2]! }
        : null
    case META_TYPE.trackName:
      return { kind: 'trackName', text: fromUtf8(data) }
    case META_TYPE.marker:
      return { kind: 'marker', text: fromUtf8(data) }
    default:
      return null
  }
}

const u16 = (value: number) => [(value >> 8) & 0xff, value & 0xff]
const u32 = (value: number) => [...u16(value >>> 16), ...u16(value & 0xffff)]
const ascii = (word: string) => Array.from(word, (letter) => letter.charCodeAt(0))
const text = (bytes: Uint8Array, at: number, length: number) =>
  String.fromCharCode(...bytes.subarray(at, at + length))

/** UTF-8 by hand: the core's own tsconfig knows no TextEncoder. Lone surrogates become U+FFFD. */
function utf8(word: string): number[] {
  const wellFormed = word.replace(/\p{Surrogate}/gu, '\uFFFD')
  return Array.from(encodeURIComponent(wellFormed).matchAll(/%(..)|(.)/g), ([, hex, plain]) =>
    hex === undefined ? plain!.charCodeAt(0) : Number.parseInt(hex, 16),
  )
}

function fromUtf8(bytes: Uint8Array): string {
  const escaped = Array.from(bytes, (byte) => `%${byte.toString(16).padStart(2, '0')}`).join('')
  try {
    return decodeURIComponent(escaped)
  } catch (error) {
    // Older files hold Latin-1 text.
    if (error instanceof URIError) return String.fromCharCode(...bytes)
    throw error
  }
}
