import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { encodeMessages } from './encode'
import { anyMessage } from './testing/makeMessages'
import type { MidiMessage } from './message'
import { MidiParser, parseMessages, type Garbage } from './parse'

describe('parseMessages', () => {
  it('is the inverse of encodeMessages, with running status and without', () => {
    fc.assert(
      fc.property(fc.array(anyMessage), fc.boolean(), (messages, runningStatus) => {
        expect(parseMessages(encodeMessages(messages, { runningStatus }))).toEqual({ messages, garbage: [] })
      }),
      generated(300, 20),
    )
  })

  it('reads the same however the stream is cut', () => {
    fc.assert(
      fc.property(fc.array(anyMessage), fc.array(fc.integer({ min: 1, max: 5 })), (messages, cuts) => {
        const bytes = encodeMessages(messages, { runningStatus: true })
        const read: MidiMessage[] = []
        const parser = new MidiParser({ onMessage: (message) => read.push(message) })
        let at = 0
        for (const size of cuts) {
          parser.push(bytes.subarray(at, at + size))
          at += size
        }
        parser.push(bytes.subarray(at))
        expect(read).toEqual(messages)
      }),
      generated(100, 21),
    )
  })

  it('never throws, and loses no later message, whatever comes first', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 40 }), (noise) => {
        const { messages } = parseMessages([...noise, 0xf7, 0xc3, 0x0b])
        expect(messages.at(-1)).toEqual({ kind: 'program', channel: 4, program: 11 })
      }),
      generated(500, 22),
    )
  })

  // M1 v4.2.1, "Real Time Messages": a clock may stand inside any message; from memory.
  it('takes real-time bytes out of the middle of a message', () => {
    expect(parseMessages([0xb0, 0xf8, 21, 0xf8, 127]).messages).toEqual([
      { kind: 'clock' },
      { kind: 'clock' },
      { kind: 'control', channel: 1, controller: 21, value: 127 },
    ])
    expect(parseMessages([0xf0, 0x7d, 0xfe, 0x01, 0xf7]).messages).toEqual([
      { kind: 'activeSensing' },
      { kind: 'exclusive', data: [0x7d, 0x01] },
    ])
  })

  it('drops running status after system messages', () => {
    expect(parseMessages([0xc0, 5, 0xf6, 6])).toEqual({
      messages: [{ kind: 'program', channel: 1, program: 5 }, { kind: 'tuneRequest' }],
      garbage: [{ reason: 'strayData', at: 3 }],
    })
  })

  it.each<[string, number[], Garbage[]]>([
    [
      'data with no status',
      [1, 2],
      [
        { reason: 'strayData', at: 0 },
        { reason: 'strayData', at: 1 },
      ],
    ],
    ['a message cut short by another', [0xb0, 21, 0xc0, 3], [{ reason: 'truncated', at: 2 }]],
    ['a message cut short by the end', [0xb0, 21], [{ reason: 'truncated', at: 2 }]],
    ['an exclusive cut short', [0xf0, 1, 2, 0xc0, 3], [{ reason: 'truncated', at: 3 }]],
    [
      'an undefined status',
      [0xf4, 0xf9],
      [
        { reason: 'undefinedStatus', at: 0 },
        { reason: 'undefinedStatus', at: 1 },
      ],
    ],
    ['an end with no exclusive', [0xf7], [{ reason: 'strayEnd', at: 0 }]],
  ])('reports %s', (_, bytes, garbage) => {
    expect(parseMessages(bytes).garbage).toEqual(garbage)
  })

  it('drops an exclusive message beyond its limit whole', () => {
    const read: MidiMessage[] = []
    const garbage: Garbage[] = []
    const parser = new MidiParser({
      onMessage: (message) => read.push(message),
      onGarbage: (one) => garbage.push(one),
      exclusiveLimit: 2,
    })
    parser.push([0xf0, 1, 2, 3, 0xf7, 0xc0, 9])
    expect(read).toEqual([{ kind: 'program', channel: 1, program: 9 }])
    expect(garbage).toEqual([{ reason: 'tooLong', at: 4 }])
  })
})
