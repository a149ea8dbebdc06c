import * as fc from 'fast-check'
import { parseMidi, writeMidi } from 'midi-file'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { anyChannelMessage } from './testing/makeMessages'
import { decodeMidiFile, encodeMidiFile, type MidiFile, type MidiFileEvent } from './midiFile'

const anyEvent = fc.oneof(
  { weight: 5, arbitrary: fc.record({ kind: fc.constant('message'), message: anyChannelMessage }) },
  fc.record({
    kind: fc.constant('message'),
    message: fc.record({ kind: fc.constant('exclusive'), data: fc.array(fc.integer({ min: 0, max: 127 })) }),
  }),
  // Escaped: a file has no place for them as they are.
  fc.record({
    kind: fc.constant('message'),
    message: fc.constantFrom({ kind: 'start' }, { kind: 'clock' }, { kind: 'songSelect', song: 3 }),
  }),
  fc.record({ kind: fc.constantFrom('marker', 'trackName'), text: fc.string({ unit: 'grapheme' }) }),
  fc.record({ kind: fc.constant('tempo'), microseconds: fc.integer({ min: 1, max: 0xffffff }) }),
)
const anyFile = fc.record({
  ticksPerQuarter: fc.integer({ min: 1, max: 32767 }),
  tracks: fc.array(
    fc.array(
      fc.tuple(fc.integer({ min: 0, max: 100_000 }), anyEvent).map(([delta, event]) => ({ delta, ...event })),
    ),
    { minLength: 1, maxLength: 3 },
  ),
}) as unknown as fc.Arbitrary<MidiFile>

describe('MIDI files', () => {
  // RP-001, "Header Chunks"; tempo of 120 bpm is 07A120h; from memory.
  it('writes the header and events of the standard', () => {
    const track: MidiFileEvent[] = [
      { delta: 0, kind: 'tempo', microseconds: 500_000 },
      { delta: 480, kind: 'marker', text: 'A' },
    ]
    expect([...encodeMidiFile({ ticksPerQuarter: 480, tracks: [track] })]).toEqual([
      ...[0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 0, 0, 1, 0x01, 0xe0],
      ...[0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, 17],
      ...[0, 0xff, 0x51, 3, 0x07, 0xa1, 0x20],
      ...[0x83, 0x60, 0xff, 0x06, 1, 0x41],
      ...[0, 0xff, 0x2f, 0],
    ])
  })

  it('reads back what it writes', () => {
    fc.assert(
      fc.property(anyFile, (file) => {
        expect(decodeMidiFile(encodeMidiFile(file))).toEqual({ ok: true, value: file })
      }),
      generated(100, 40),
    )
  })

  // Second witness: the midi-file package.
  it('is read by a general-purpose library as written, and reads what that library writes', () => {
    const file: MidiFile = {
      ticksPerQuarter: 96,
      tracks: [
        [
          { delta: 0, kind: 'trackName', text: 'Pit bass' },
          {
            delta: 0,
            kind: 'message',
            message: { kind: 'program', channel: 4 as never, program: 11 as never },
          },
          {
            delta: 200,
            kind: 'message',
            message: { kind: 'control', channel: 5 as never, controller: 0 as never, value: 2 as never },
          },
          {
            delta: 1,
            kind: 'message',
            message: { kind: 'pitchBend', channel: 1 as never, bend: 0 as never },
          },
        ],
      ],
    }
    const read = parseMidi(encodeMidiFile(file))
    expect(read.header).toMatchObject({ format: 0, numTracks: 1, ticksPerBeat: 96 })
    expect(read.tracks[0]).toMatchObject([
      { type: 'trackName', text: 'Pit bass' },
      { deltaTime: 0, type: 'programChange', channel: 3, programNumber: 11 },
      { deltaTime: 200, type: 'controller', channel: 4, controllerType: 0, value: 2 },
      { deltaTime: 1, type: 'pitchBend', channel: 0, value: -8192 },
      { type: 'endOfTrack' },
    ])
    expect(decodeMidiFile(Uint8Array.from(writeMidi(read, { running: true })))).toEqual({
      ok: true,
      value: file,
    })
  })

  it('refuses what is no MIDI file, says where one ends early, and never throws', () => {
    const whole = encodeMidiFile({
      ticksPerQuarter: 480,
      tracks: [[{ delta: 0, kind: 'marker', text: 'A' }]],
    })
    expect(decodeMidiFile(Uint8Array.from([1, 2, 3]))).toEqual({
      ok: false,
      refusal: { code: 'notAMidiFile' },
    })
    expect(decodeMidiFile(whole.subarray(0, whole.length - 2))).toEqual({
      ok: false,
      refusal: { code: 'endsEarly', at: 14 },
    })
    expect(decodeMidiFile(whole.with(12, 0xe7))).toEqual({ ok: false, refusal: { code: 'timeCodeDivision' } })
    fc.assert(
      fc.property(
        fc.integer({ min: 14, max: whole.length - 1 }),
        fc.integer({ min: 0, max: 255 }),
        (at, byte) => {
          decodeMidiFile(whole.with(at, byte))
        },
      ),
      generated(500, 41),
    )
  })
})
