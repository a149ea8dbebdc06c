import { refuse, type Result } from '#core/base'
import {
  encodeMessages,
  decodeMidiFile,
  encodeMidiFile,
  type MidiFileEvent,
  parseMessages,
  wireTime,
} from '#core/midi'
import type { DumpMessage } from '#core/rig'
import { messageBytes, readExclusives, type DumpFault, type Piece, type Recording } from './exclusives'

/** A .syx file: the bytes of every message, one behind the other; it keeps no times. */
export function syxOf(messages: readonly DumpMessage[]): Uint8Array {
  const bytes: number[] = []
  for (const message of messages) for (const byte of messageBytes(message)) bytes.push(byte)
  return Uint8Array.from(bytes)
}

/** The exclusive messages of a .syx file, one after the other; refused with the byte at which it is none. */
export const readSyx = (bytes: Uint8Array): Result<Recording, readonly DumpFault[]> =>
  readExclusives([{ bytes, at: null }])

/** 500 ticks a quarter note of 500,000 µs: a tick is 1 ms. */
const [TICKS, MICROSECONDS] = [500, 500_000]
/** Between messages of which nobody knows when they came, in ms. */
const PAUSE = 20

const wireMs = (message: DumpMessage): number => Math.round(wireTime(message.hex.length / 2) / 1000)

/**
 * A Standard MIDI File that sends a dump again (RP-001). Its times say when a message begins, ours when it is whole: what it takes
 * on the wire is the difference. Messages that came faster than a wire carries them begin one right behind the other.
 */
export function dumpMidiFile(name: string, messages: readonly DumpMessage[]): Uint8Array {
  const track: MidiFileEvent[] = [
    { delta: 0, kind: 'trackName', text: name },
    { delta: 0, kind: 'tempo', microseconds: MICROSECONDS },
  ]
  messages.forEach((message, n) => {
    const before = messages[n - 1]
    const delta = !before
      ? 0
      : message.ms === null
        ? wireMs(before) + PAUSE
        : Math.max(0, message.ms - wireMs(message) + wireMs(before))
    const [exclusive] = parseMessages(messageBytes(message)).messages
    if (exclusive) track.push({ delta, kind: 'message', message: exclusive })
  })
  return encodeMidiFile({ ticksPerQuarter: TICKS, tracks: [track] })
}

/** Why a MIDI file holds no dump. */
export type DumpFileFault =
  | DumpFault
  | { readonly code: 'notAMidiFile' | 'timeCodeDivision' }
  | { readonly code: 'endsEarly' | 'badEvent'; readonly at: number }

/** The exclusive messages of a Standard MIDI File of formats 0 and 1, in their order in time; notes and the like are passed over. */
export function readDumpMidiFile(
  bytes: Uint8Array,
): Result<Recording & { readonly name: string }, readonly DumpFileFault[]> {
  const file = decodeMidiFile(bytes)
  if (!file.ok) return refuse([file.refusal])
  const events = file.value.tracks
    .flatMap((track) => {
      let tick = 0
      return track.map((event) => ({ tick: (tick += event.delta), event }))
    })
    .sort((a, b) => a.tick - b.tick)
  const pieces: Piece[] = []
  let [ms, tick, microseconds, name] = [0, 0, MICROSECONDS, '']
  for (const { tick: at, event } of events) {
    ms += ((at - tick) * microseconds) / file.value.ticksPerQuarter / 1000
    tick = at
    if (event.kind === 'tempo') microseconds = event.microseconds
    else if (event.kind === 'trackName') name ||= event.text
    else if (event.kind === 'message' && event.message.kind === 'exclusive') {
      const message = encodeMessages([event.message])
      pieces.push({ bytes: message, at: ms + Math.round(wireTime(message.length) / 1000) })
    }
  }
  const read = readExclusives(pieces)
  return read.ok ? { ok: true, value: { ...read.value, name } } : read
}
