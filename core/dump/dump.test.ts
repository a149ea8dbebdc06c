import * as fc from 'fast-check'
import { parseMidi } from 'midi-file'
import { describe, expect, it } from 'vitest'
import { generated, runs, seeds } from '#testing/runs'
import { seeded } from '../base/seeded'
import { wireTime } from '../midi/wireTime'
import { dumpSchema, type DumpMessage } from '../rig/table/dump'
import { UNKNOWN_DUMPING, type Dumping } from '../rig/table/dumping'
import { checkDump, checksumOf, withoutRepeats, wrongChecks } from './checks'
import { compareDumps } from './compareDumps'
import { dumpMidiFile, readDumpMidiFile, readSyx, syxOf } from './dumpFiles'
import { messageBytes, readExclusives } from './exclusives'
import { learnDumping } from './learnDumping'
import { dumpOf, makeBank, makeMessage, makeStandIn } from './testing/makeDumps'
import { sendingBack } from './sendingBack'
import { splitDump } from './splitDump'
import { hearDump, IDENTITY_REQUEST, inNewGo } from './simulatedBox'

const KNOWN: Dumping = {
  ...UNKNOWN_DUMPING,
  checksum: { kind: 'sum', from: 1 },
  bytes: 27,
  count: 8,
  place: 4,
}

/** A bank of eight presets of the simulated device, recorded. */
function recorded(seed: number, known = KNOWN): { messages: readonly DumpMessage[]; known: Dumping } {
  const device = makeStandIn(makeBank(seeded(seed), 8, 20))
  const read = readExclusives(dumpOf(device))
  if (!read.ok) throw new Error('the simulated device sends no dump')
  return { messages: read.value.messages, known }
}

const anyMessages = fc
  .array(
    fc.record({
      data: fc.array(fc.integer({ min: 0, max: 127 }), { maxLength: 40 }),
      ms: fc.integer({ min: 0, max: 5000 }),
    }),
    { minLength: 1, maxLength: 12 },
  )
  .map((all) => all.map(({ data, ms }, n) => makeMessage(data, n === 0 ? 0 : ms)))

describe('a recording', () => {
  it('is the bytes that came, with the time between them', () => {
    fc.assert(
      fc.property(anyMessages, fc.integer({ min: 0, max: 1e6 }), (messages, start) => {
        let at = start
        const pieces = messages.map((one) => ({ bytes: messageBytes(one), at: (at += one.ms ?? 0) }))
        expect(readExclusives(pieces)).toEqual({ ok: true, value: { messages, aside: 0 } })
      }),
      generated(100, 1801),
    )
  })

  it('is the same however its bytes were cut into pieces, and wherever clock stood among them', () => {
    const random = seeded(1802)
    for (const n of seeds(300)) {
      const { messages } = recorded(n)
      const whole = [...syxOf(messages)]
      // M1 v4.2.1: real-time bytes may stand anywhere, also inside an exclusive message.
      const withClock = whole.flatMap((byte) => (random() < 0.1 ? [0xf8, byte] : [byte]))
      const pieces = []
      for (let at = 0; at < withClock.length;) {
        const to = at + 1 + Math.floor(random() * 30)
        pieces.push({ bytes: Uint8Array.from(withClock.slice(at, to)), at: null })
        at = to
      }
      const read = readExclusives(pieces)
      expect(read.ok && read.value.messages.map(({ hex }) => hex)).toEqual(messages.map(({ hex }) => hex))
      expect(read.ok && read.value.aside).toBe(withClock.length - whole.length)
    }
  })

  it('that is cut anywhere, but between two messages, is refused with the place', () => {
    const { messages } = recorded(1)
    const whole = syxOf(messages)
    const ends = new Set(messages.map((_, n) => syxOf(messages.slice(0, n)).length))
    for (let at = 1; at < whole.length; at++) {
      const read = readSyx(whole.subarray(0, at))
      if (ends.has(at)) expect(wrongChecks(read.ok ? read.value.messages : [], KNOWN)).not.toEqual([])
      else {
        const n = [...ends].filter((end) => end <= at).length
        expect(read).toMatchObject({ ok: false, refusal: [{ code: 'cut', message: n }] })
      }
      // Cut at the front.
      const tail = readSyx(whole.subarray(at))
      if (!ends.has(at)) expect(tail).toMatchObject({ ok: false, refusal: [{ code: 'loose', at: 0 }] })
    }
  })

  it('that is garbled anywhere is refused: by the standard where a byte is no data, by its checksum else', () => {
    const random = seeded(1803)
    for (const n of seeds(500)) {
      const { messages } = recorded(n)
      const bytes = syxOf(messages)
      const at = Math.floor(random() * bytes.length)
      const was = bytes[at]!
      bytes[at] = (was + 1 + Math.floor(random() * 254)) & 0xff
      // A real-time byte in the place of another is left out, as the standard asks: then one byte is missing.
      const read = readSyx(bytes)
      const refused = !read.ok || wrongChecks(read.value.messages, KNOWN).length > 0
      expect([n, at, was, bytes[at], refused]).toEqual([n, at, was, bytes[at], true])
    }
  })

  it('that holds nothing, or only other messages, is refused', () => {
    expect(readSyx(Uint8Array.of())).toMatchObject({ ok: false, refusal: [{ code: 'empty' }] })
    expect(readSyx(Uint8Array.of(0xf8, 0xfe))).toMatchObject({ ok: false, refusal: [{ code: 'empty' }] })
    expect(readSyx(Uint8Array.of(0xc0, 5))).toMatchObject({
      ok: false,
      refusal: [{ code: 'loose', at: 0, count: 2 }],
    })
  })

  it('fits its row to the byte, and one that is too long is refused before', () => {
    const long = (bytes: number) => readSyx(Uint8Array.from([0xf0, ...Array<number>(bytes).fill(5), 0xf7]))
    const most = long(65_536)
    expect(most.ok).toBe(true)
    expect(dumpSchema.shape.messages.safeParse(most.ok && most.value.messages).success).toBe(true)
    expect(long(65_537)).toMatchObject({ ok: false, refusal: [{ code: 'tooLong' }] })
    const many = Array.from({ length: 20 }, () => [0xf0, ...Array<number>(60_000).fill(1), 0xf7]).flat()
    expect(readSyx(Uint8Array.from(many))).toMatchObject({ ok: false, refusal: [{ code: 'tooLong' }] })
  })
})

describe('checks', () => {
  // Two's complement sums over seven bits are common practice; an exclusive-or and a plain sum by hand.
  it.each([
    { kind: 'sum' as const, from: 1, expected: (128 - ((0x41 + 0x10 + 0x42 + 0x12) % 128)) % 128 },
    { kind: 'plain' as const, from: 2, expected: (0x10 + 0x42 + 0x12) % 128 },
    { kind: 'xor' as const, from: 3, expected: 0x42 ^ 0x12 },
  ])('a checksum of kind $kind', ({ kind, from, expected }) => {
    const bytes = Uint8Array.of(0xf0, 0x41, 0x10, 0x42, 0x12, 0, 0xf7)
    expect(checksumOf(bytes, { kind, from })).toBe(expected)
  })

  it('of a device nobody knows anything about say that they do not know', () => {
    const { messages } = recorded(4)
    expect(checkDump(messages, UNKNOWN_DUMPING).map(({ check, state }) => `${check} ${state}`)).toEqual([
      'repeats right',
      'length unknown',
      'checksum unknown',
      'count unknown',
      'places unknown',
    ])
  })

  it('refuse a message that came twice, one that was lost, and one too many', () => {
    for (const seed of seeds(200)) {
      const { messages } = recorded(seed)
      const n = seed % 8
      const twice = [...messages.slice(0, n + 1), messages[n]!, ...messages.slice(n + 1)]
      expect(wrongChecks(twice, UNKNOWN_DUMPING)).toMatchObject([{ check: 'repeats', messages: [n + 2] }])
      expect(withoutRepeats(twice)).toEqual(messages)
      // Somewhere else than right behind: told by the byte that says which preset.
      const later = [...messages, messages[0]!]
      expect(wrongChecks(later, { ...KNOWN, count: null })).toMatchObject([{ check: 'places', twice: [0] }])
      const lost = messages.filter((_, at) => at !== n)
      expect(wrongChecks(lost, KNOWN).map(({ check }) => check)).toEqual(
        n === 0 || n === 7 ? ['count'] : ['count', 'places'],
      )
    }
  })

  it('are learned from whole dumps, and then find what is garbled in the next', () => {
    for (const seed of seeds(200)) {
      const { messages } = recorded(seed)
      const learned = learnDumping(messages)
      expect(learned).toMatchObject({ bytes: 27, count: 8, place: 4, checksum: { kind: 'sum' } })
      expect(wrongChecks(messages, learned)).toEqual([])
      // What is learned of the first says the same of any other of the device.
      const other = recorded(seed + 1000).messages
      expect(wrongChecks(other, learned)).toEqual([])
      const bytes = syxOf(other)
      const at = 5 + 27 * (seed % 8) + (seed % 20)
      bytes[at] = bytes[at]! ^ (1 << (seed % 7))
      const read = readSyx(bytes)
      expect(wrongChecks(read.ok ? read.value.messages : [], learned)).toMatchObject([
        { check: 'checksum', messages: [1 + (seed % 8)] },
      ])
    }
  })

  it('claim no checksum where there is none', () => {
    const random = seeded(1804)
    for (let n = 0; n < runs(500); n++) {
      const messages = Array.from({ length: 5 }, (_, m) =>
        makeMessage([0x7d, 1, m, ...makeBank(random, 1, 16)[0]!]),
      )
      expect(learnDumping(messages).checksum).toBeNull()
    }
  })
})

describe('two dumps', () => {
  it('differ in the bytes that were changed, and are named where that is known', () => {
    const random = seeded(1805)
    for (let n = 0; n < runs(200); n++) {
      const bank = makeBank(random, 8, 20)
      const changed = bank.map((one) => [...one])
      const [preset, byte] = [Math.floor(random() * 8), Math.floor(random() * 20)]
      changed[preset]![byte] = (changed[preset]![byte]! + 1) % 128
      const read = (presets: readonly (readonly number[])[]) => {
        const one = readExclusives(dumpOf(makeStandIn(presets)))
        return one.ok ? one.value.messages : []
      }
      const known: Dumping = { ...KNOWN, values: [{ at: 5 + byte, name: 'Mix' }] }
      const said = compareDumps(read(bank), read(changed).toReversed(), known)
      expect(said).toEqual({
        same: 7,
        gone: [],
        added: [],
        differing: [
          {
            kind: 'bytes',
            before: preset + 1,
            after: 8 - preset,
            bytes: [
              {
                at: 5 + byte,
                before: bank[preset]![byte],
                after: changed[preset]![byte],
                name: 'Mix',
                isChecksum: false,
              },
              expect.objectContaining({ at: 25, isChecksum: true }),
            ],
          },
        ],
      })
    }
  })

  it('of other lengths say where they part, and messages only one has are told', () => {
    const [a, b] = [makeMessage([1, 2, 3, 4, 5]), makeMessage([1, 2, 9, 9, 4, 5])]
    expect(compareDumps([a, a], [b], UNKNOWN_DUMPING)).toEqual({
      same: 0,
      gone: [2],
      added: [],
      differing: [{ kind: 'length', before: 1, after: 1, from: 3, end: 3, lengths: [7, 8] }],
    })
  })
})

describe('splitting', () => {
  it('puts every message in one part, at pauses, other heads, or each by itself', () => {
    const all = [
      makeMessage([0x7d, 1, 1]),
      makeMessage([0x7d, 1, 2], 40),
      makeMessage([0x7d, 2, 1], 40),
      makeMessage([0x7d, 2, 2], 3000),
      makeMessage([0x7d, 2, 3], null),
    ]
    const sizes = (by: Parameters<typeof splitDump>[1]) => splitDump(all, by).map(({ length }) => length)
    expect(sizes({ kind: 'whole' })).toEqual([5])
    expect(sizes({ kind: 'pause', ms: 1000 })).toEqual([3, 2])
    expect(sizes({ kind: 'head', bytes: 2 })).toEqual([2, 3])
    expect(sizes({ kind: 'each' })).toEqual([1, 1, 1, 1, 1])
    for (const by of [{ kind: 'pause', ms: 10 }, { kind: 'each' }] as const)
      expect(splitDump(all, by).flatMap((part) => part.map(({ hex }) => hex))).toEqual(
        all.map(({ hex }) => hex),
      )
  })
})

describe('sending back', () => {
  it('keeps the spacing it was recorded with, on a wire of 31,250 baud', () => {
    for (const seed of seeds(100)) {
      const { messages } = recorded(seed)
      const sent = sendingBack(messages, 0)
      sent.forEach(({ bytes, start, end }, n) => {
        expect(end - start).toBeCloseTo(wireTime(bytes.length) / 1000, 6)
        if (n > 0) expect(end - sent[n - 1]!.end).toBeCloseTo(messages[n]!.ms!, 6)
        if (n > 0) expect(start).toBeGreaterThanOrEqual(sent[n - 1]!.end - 1e-6)
      })
    }
  })

  it('is never nearer than the wire and the pause a device needs, whatever was recorded', () => {
    fc.assert(
      fc.property(anyMessages, fc.integer({ min: 0, max: 100 }), (messages, pause) => {
        const sent = sendingBack(messages, pause)
        for (let n = 1; n < sent.length; n++)
          expect(sent[n]!.start - sent[n - 1]!.end).toBeGreaterThanOrEqual(pause - 1e-6)
      }),
      generated(100, 1806),
    )
  })

  it('a simulated device takes all that was recorded from it, and answers for each', () => {
    for (const seed of seeds(100)) {
      const bank = makeBank(seeded(seed), 8, 20)
      const { messages } = recorded(seed)
      let device = makeStandIn(makeBank(seeded(seed + 5000), 8, 20))
      const answers = sendingBack(messages, 0).map(({ bytes, end }) => {
        const heard = hearDump(device, bytes, end)
        device = heard.device
        return heard.answers.map((one) => one.bytes[3])
      })
      expect(device.presets).toEqual(bank)
      expect(answers).toEqual(messages.map(() => [0x12]))
      // Without its pauses it is still storing when the next begins.
      let hurried = makeStandIn([])
      let at = 0
      for (const message of messages) {
        const bytes = messageBytes(message)
        hurried = hearDump(hurried, bytes, (at += wireTime(bytes.length) / 1000)).device
      }
      expect(hurried.presets.length).toBeLessThan(8)
    }
  })
})

describe('a simulated device', () => {
  const device = makeStandIn(makeBank(seeded(7), 8, 20))

  // M1 v4.2.1, "Identity Request" and "Identity Reply"; from memory. 7D is for non-commercial use.
  it('says who it is, and hears nobody else asked for', () => {
    const { answers } = hearDump(device, Uint8Array.from(IDENTITY_REQUEST), 10)
    expect([...answers[0]!.bytes]).toEqual([0xf0, 0x7e, 3, 6, 2, 0x7d, 0, 0, 3, 0, 1, 0, 0, 0, 0xf7])
    expect(hearDump(device, Uint8Array.of(0xf0, 0x7e, 4, 6, 1, 0xf7), 10).answers).toEqual([])
    expect(hearDump(device, Uint8Array.of(0xf0, 0x7e, 3, 6, 1, 0xf7), 10).answers).toHaveLength(1)
  })

  it('can be told to lose one, which is then found', () => {
    for (let n = 1; n <= 8; n++) {
      const read = readExclusives(dumpOf(inNewGo(device, n)))
      expect(read.ok && wrongChecks(read.value.messages, KNOWN).some(({ check }) => check === 'count')).toBe(
        true,
      )
    }
    const { messages } = recorded(7)
    let other = inNewGo(makeStandIn([]), 8)
    for (const { bytes, end } of sendingBack(messages, 0)) other = hearDump(other, bytes, end).device
    expect(other.presets).toHaveLength(7)
  })

  it('refuses what is garbled on the way and keeps what it had', () => {
    const [message] = recorded(7).messages
    const bytes = messageBytes(message!)
    bytes[8] = bytes[8]! ^ 1
    const heard = hearDump(device, bytes, 1000)
    expect(heard.answers[0]!.bytes[3]).toBe(0x13)
    expect(heard.device.presets).toEqual(device.presets)
  })
})

describe('files', () => {
  it('a bank comes back byte for byte from .syx, and with its spacing from a MIDI file', () => {
    for (const seed of seeds(100)) {
      const { messages } = recorded(seed)
      const syx = readSyx(syxOf(messages))
      expect(syx.ok && syx.value.messages.map(({ hex }) => hex)).toEqual(messages.map(({ hex }) => hex))
      expect(syx.ok && syx.value.messages.slice(1).every(({ ms }) => ms === null)).toBe(true)
      expect(readDumpMidiFile(dumpMidiFile('Tape echo', messages))).toEqual({
        ok: true,
        value: { messages, aside: 0, name: 'Tape echo' },
      })
    }
  })

  it('any messages come back from a MIDI file byte for byte, and nearer together only where no wire could be', () => {
    fc.assert(
      fc.property(anyMessages, (messages) => {
        const read = readDumpMidiFile(dumpMidiFile('', messages))
        expect(read.ok && read.value.messages.map(({ hex }) => hex)).toEqual(messages.map(({ hex }) => hex))
        if (!read.ok) return
        read.value.messages.forEach(({ ms }, n) => {
          const wire = Math.round(wireTime(messages[n]!.hex.length / 2) / 1000)
          if (n > 0 && messages[n]!.ms! >= wire) expect(ms).toBe(messages[n]!.ms)
          if (n > 0) expect(ms).toBeGreaterThanOrEqual(messages[n]!.ms!)
        })
      }),
      generated(100, 1807),
    )
  })

  // Second witness: the midi-file package.
  it('are read by a general-purpose library byte for byte', () => {
    const { messages } = recorded(11)
    const { tracks } = parseMidi(dumpMidiFile('Tape echo', messages))
    const read = tracks[0]!.flatMap((event) =>
      event.type === 'sysEx' ? [[0xf0, ...Array.from(event.data)]] : [],
    )
    expect(read).toEqual(messages.map((one) => [...messageBytes(one)]))
  })

  it('a MIDI file that is cut, or holds half a message, is refused', () => {
    const file = dumpMidiFile('Tape echo', recorded(12).messages)
    for (let at = 0; at < file.length; at++) expect(readDumpMidiFile(file.subarray(0, at)).ok).toBe(false)
    const garbled = Uint8Array.from(file)
    // The F7 of the first message.
    const end = garbled.indexOf(0xf7)
    garbled[end] = 0x11
    expect(readDumpMidiFile(garbled)).toMatchObject({ ok: false })
  })

  it('takes the tempo of the file, and one message in pieces', () => {
    // RP-001, "sysex events" in packets; from memory. 250,000 µs a quarter: 96 ticks are 250 ms.
    const track = [
      ...[0, 0xff, 0x51, 3, 0x03, 0xd0, 0x90],
      ...[0, 0xf0, 3, 0x7d, 1, 2, 0x60, 0xf7, 3, 3, 4, 0xf7],
      ...[0x60, 0xf0, 3, 0x7d, 9, 0xf7, 0, 0xff, 0x2f, 0],
    ]
    const bytes = [
      ...[0x4d, 0x54, 0x68, 0x64, 0, 0, 0, 6, 0, 0, 0, 1, 0, 96],
      ...[0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, track.length],
      ...track,
    ]
    const read = readDumpMidiFile(Uint8Array.from(bytes))
    expect(read.ok && read.value.messages.map(({ hex }) => hex)).toEqual(['F07D01020304F7', 'F07D09F7'])
  })
})
