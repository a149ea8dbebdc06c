import { parseMidi } from 'midi-file'
import { describe, expect, it } from 'vitest'
import { encodeMidiFile } from '../midi/midiFile'
import { hexOf, readBytes } from '../midi/hexBytes'
import { ACTION_KINDS, type Action } from '../rig/table/action'
import { rigProblems } from '../rig/integrity'
import { feet, floorRig, onFloor, stepAt } from '../simulate/testing/makeFloor'
import { sweepValues } from './action/sweepControl'
import { readTaps } from '../tempo/tapped'

const id = onFloor

/** What one press of a switch sends, as bytes. */
function sentBy(actions: readonly Action[], presses = 1): string[] {
  const rig = floorRig(
    { positions: [[...actions]] },
    { macros: [['m', [{ kind: 'setControl', controlId: id('mix'), value: 1 }]]] },
  )
  expect(rigProblems(rig)).toEqual([])
  const moves = Array.from({ length: presses }, (_, n) => stepAt(n * 10_000)).flat()
  return feet(rig, moves).wire.map(({ bytes }) => hexOf(bytes))
}

/** The bytes each action sends: M1 v4.2.1, tables I to VI, from memory; the echo is on channel 4, the reverb on 5. */
const BYTES: readonly (readonly [string, readonly Action[], readonly string[]])[] = [
  ['recallPreset', [{ kind: 'recallPreset', presetId: id('dotted') }], ['C3 0B']],
  ['recallPreset', [{ kind: 'recallPreset', presetId: id('drowned') }], ['B4 00 00', 'B4 20 02', 'C4 2B']],
  // A device that a control switches off is switched on behind its recall.
  ['recallSound', [{ kind: 'recallSound', soundId: id('verse') }], ['C3 0B', 'B3 15 7F']],
  [
    'stepPreset',
    [{ kind: 'stepPreset', deviceId: id('echo'), by: 1, from: 3, to: 5, list: [], atEnd: 'wrap' }],
    ['C3 03'],
  ],
  ['tapOut', [{ kind: 'tapOut', deviceId: id('echo') }], ['B3 19 7F', 'B3 19 7F', 'B3 19 7F', 'B3 19 7F']],
  ['setControl', [{ kind: 'setControl', controlId: id('mix'), value: 44 }], ['B3 14 2C']],
  ['alternateControl', [{ kind: 'alternateControl', controlId: id('on'), a: 127, b: 0 }], ['B3 15 7F']],
  [
    'stepControl',
    [{ kind: 'stepControl', controlId: id('mix'), by: 5, from: 10, to: 20, atEnd: 'stop' }],
    ['B3 14 0A'],
  ],
  [
    'sweepControl',
    [{ kind: 'sweepControl', controlId: id('mix'), from: 0, to: 2, ms: 40, curve: 'straight' }],
    ['B3 14 00', 'B3 14 01', 'B3 14 02'],
  ],
  ['scene', [{ kind: 'scene', controlId: id('scene'), move: 'to', value: 1 }], ['B3 1A 01']],
  [
    'note',
    [
      {
        kind: 'note',
        deviceId: id('echo'),
        note: 60 as never,
        velocity: 100 as never,
        does: 'strike',
        ms: 50,
      },
    ],
    ['93 3C 64', '83 3C 00'],
  ],
  ['raw', [{ kind: 'raw', deviceId: id('echo'), hex: 'E3 00 40' }], ['E3 00 40']],
  // Identity request, universal non-real-time.
  ['raw', [{ kind: 'raw', deviceId: id('echo'), hex: 'F0 7E 7F 06 01 F7' }], ['F0 7E 7F 06 01 F7']],
  ['wait', [{ kind: 'wait', ms: 20 }], []],
  [
    'contact',
    [
      {
        kind: 'contact',
        deviceId: id('octaver'),
        contactId: 'remote',
        does: 'close',
        times: 1,
        closedMs: 30,
        everyMs: 100,
      },
    ],
    [],
  ],
  ['tap', [{ kind: 'tap', controlId: id('go') }], ['B3 19 7F']],
  ['tempo', [{ kind: 'tempo', does: 'set', bpm: 93.8 }], []],
  ['clock', [{ kind: 'clock', does: 'stop' }], ['FC']],
  ['tuner', [{ kind: 'tuner', controlId: id('tuner'), does: 'on' }], ['B3 1B 7F']],
  ['looper', [{ kind: 'looper', controlId: id('record'), does: 'record' }], ['B3 1C 7F']],
  ['travel', [{ kind: 'travel', to: 'next', bankId: null }], []],
  ['showStep', [{ kind: 'showStep', to: 'song', songId: id('reel') }], ['C3 0B', 'B3 15 7F']],
  ['layer', [{ kind: 'layer', does: 'change' }], []],
  ['macro', [{ kind: 'macro', macroId: id('m') }], ['B3 14 01']],
  ['allOff', [{ kind: 'allOff' }], ['B3 15 00']],
  ['resync', [{ kind: 'recallPreset', presetId: id('long') }, { kind: 'resync' }], ['C3 0C', 'C3 0C']],
]

describe('the bytes of every action', () => {
  it('every kind is among them', () => {
    expect(new Set(BYTES.map(([kind]) => kind))).toEqual(new Set(ACTION_KINDS))
  })

  it.each(BYTES)('%s %j', (_, actions, expected) => {
    expect(sentBy(actions)).toEqual(expected)
  })

  it('are read back by a general-purpose library as what was meant', () => {
    const rig = floorRig({
      positions: [BYTES.flatMap(([kind, actions]) => (kind === 'macro' ? [] : actions))],
    })
    const { wire } = feet(rig, stepAt(0))
    const file = encodeMidiFile({
      ticksPerQuarter: 480,
      tracks: [
        wire
          // A file has no place for real-time bytes.
          .filter(({ message }) => message.kind !== 'stop')
          .map(({ message }) => ({ delta: 1, kind: 'message' as const, message })),
      ],
    })
    const read = parseMidi(file).tracks[0]!.map((event) => ({ ...event, deltaTime: 0 }))
    // midi-file 1.2.4 counts channels from 0 and bends round 0.
    expect(read).toContainEqual(
      expect.objectContaining({ type: 'programChange', channel: 3, programNumber: 11 }),
    )
    expect(read).toContainEqual(
      expect.objectContaining({ type: 'controller', channel: 4, controllerType: 32, value: 2 }),
    )
    expect(read).toContainEqual(
      expect.objectContaining({ type: 'noteOn', channel: 3, noteNumber: 60, velocity: 100 }),
    )
    expect(read).toContainEqual(expect.objectContaining({ type: 'noteOff', channel: 3, noteNumber: 60 }))
    expect(read).toContainEqual(expect.objectContaining({ type: 'pitchBend', channel: 3, value: 0 }))
    expect(read.some(({ type }) => type === 'sysEx')).toBe(true)
    const sent = wire.filter(({ message }) => message.kind === 'control').length
    expect(read.filter(({ type }) => type === 'controller')).toHaveLength(sent)
  })
})

describe('what hangs on what was sent before', () => {
  it('alternates, steps to the end and stops, goes round, moves through scenes', () => {
    expect(sentBy([{ kind: 'alternateControl', controlId: id('on'), a: 127, b: 0 }], 3)).toEqual([
      'B3 15 7F',
      'B3 15 00',
      'B3 15 7F',
    ])
    const steps = (atEnd: 'stop' | 'wrap') =>
      sentBy([{ kind: 'stepControl', controlId: id('mix'), by: 6, from: 10, to: 20, atEnd }], 4)
    expect(steps('stop')).toEqual(['B3 14 0A', 'B3 14 10', 'B3 14 14'])
    expect(steps('wrap')).toEqual(['B3 14 0A', 'B3 14 10', 'B3 14 0A', 'B3 14 10'])
    expect(sentBy([{ kind: 'scene', controlId: id('scene'), move: 'next', value: 0 }], 4)).toEqual(
      [0, 1, 2, 0].map((value) => `B3 1A 0${value}`),
    )
  })

  it('goes through presets in a range or a list, round or to the end', () => {
    const through = (fields: Partial<Extract<Action, { kind: 'stepPreset' }>>, presses: number) =>
      sentBy(
        [
          {
            kind: 'stepPreset',
            deviceId: id('echo'),
            by: 1,
            from: 0,
            to: 2,
            list: [],
            atEnd: 'stop',
            ...fields,
          },
        ],
        presses,
      ).map((bytes) => Number.parseInt(bytes.slice(3), 16))
    expect(through({}, 4)).toEqual([0, 1, 2])
    expect(through({ atEnd: 'wrap' }, 4)).toEqual([0, 1, 2, 0])
    expect(through({ by: -1 }, 2)).toEqual([2, 1])
    expect(through({ list: [9, 4, 40], atEnd: 'wrap' }, 4)).toEqual([9, 4, 40, 9])
    // Presets beyond the device's last are not gone to.
    expect(through({ from: 126, to: 400, atEnd: 'wrap' }, 3)).toEqual([126, 127, 126])
  })

  it('sends again what was sent last, and nothing a message cannot set', () => {
    const rig = floorRig(
      {
        positions: [
          [
            { kind: 'recallPreset', presetId: id('dotted') },
            { kind: 'setControl', controlId: id('mix'), value: 9 },
            { kind: 'setControl', controlId: id('turns'), value: 127 },
          ],
          [{ kind: 'resync' }],
        ],
      },
      { deafMs: 20 },
    )
    const { wire, contacts } = feet(rig, [...stepAt(0), ...stepAt(1000)])
    // The mix waits until the echo has loaded, since the controller can wait.
    expect(wire.slice(3).map(({ bytes, start }) => [hexOf(bytes), start])).toEqual([
      ['C3 0B', 1_000_000],
      ['B3 14 09', 1_000_640 + 20_000],
    ])
    expect(contacts).toEqual([])
  })

  it('switches off what a message or a contact can switch off, and stops what runs', () => {
    const rig = floorRig({
      positions: [
        [
          { kind: 'recallSound', soundId: id('verse') },
          { kind: 'sweepControl', controlId: id('mix'), from: 0, to: 127, ms: 5000, curve: 'straight' },
          { kind: 'clock', does: 'start' },
        ],
        [{ kind: 'allOff' }],
      ],
    })
    const { state, wire, contacts } = feet(rig, [...stepAt(0), ...stepAt(1003)])
    expect(contacts.map(({ isClosed }) => isClosed)).toEqual([true, false])
    expect(state.known).toMatchObject({ running: {}, clock: false })
    expect(wire.filter(({ start }) => start >= 1_003_000).map(({ bytes }) => hexOf(bytes))).toEqual([
      'FC',
      'B3 15 00',
    ])
  })
})

describe('what takes time', () => {
  it('sweeps end where they should, in their time, by their curve', () => {
    for (const curve of ['straight', 'slowStart', 'slowEnd', 'slowBoth'] as const) {
      const values = sweepValues(10, 110, 1000, curve)
      expect([values[0], values.at(-1)]).toEqual([
        { at: 0, value: 10 },
        { at: 1000, value: 110 },
      ])
      expect(values.every((one, n) => n === 0 || one.value >= values[n - 1]!.value)).toBe(true)
    }
    const half = (curve: 'straight' | 'slowStart' | 'slowEnd' | 'slowBoth') =>
      sweepValues(0, 100, 1000, curve).find(({ at }) => at === 500)!.value
    expect([half('straight'), half('slowStart'), half('slowEnd'), half('slowBoth')]).toEqual([50, 25, 75, 50])
  })

  it('the same step stops a sweep where it is', () => {
    const rig = floorRig({
      positions: [
        [{ kind: 'sweepControl', controlId: id('mix'), from: 0, to: 100, ms: 1000, curve: 'straight' }],
      ],
    })
    const { state, wire } = feet(rig, [...stepAt(0), ...stepAt(505)])
    expect(state.known.values.mix).toBe(50)
    expect(hexOf(wire.at(-1)!.bytes)).toBe('B3 14 32')
  })

  it('pulses a contact so many times, so far apart', () => {
    const pulse: Action = {
      kind: 'contact',
      deviceId: id('octaver'),
      contactId: 'remote',
      does: 'pulse',
      times: 3,
      closedMs: 30,
      everyMs: 500,
    }
    const { contacts } = feet(floorRig({ positions: [[pulse]] }), stepAt(100))
    expect(contacts.map(({ at, isClosed }) => [at / 1000, isClosed])).toEqual([
      [100, true],
      [130, false],
      [600, true],
      [630, false],
      [1100, true],
      [1130, false],
    ])
  })

  // M1 v4.2.1, "Timing Clock": 24 a quarter, one every 20.833 ms at 120 bpm; from memory.
  it('the clock ticks 24 times a quarter in the tempo', () => {
    const rig = floorRig({
      positions: [
        [
          { kind: 'tempo', does: 'set', bpm: 120 },
          { kind: 'clock', does: 'start' },
        ],
        [{ kind: 'clock', does: 'stop' }],
      ],
    })
    const { wire } = feet(rig, [...stepAt(0), ...stepAt(1001)])
    const ticks = wire.filter(({ message }) => message.kind === 'clock')
    // Two quarters, with the tick that begins the third.
    expect(ticks).toHaveLength(49)
    expect(ticks[24]!.start).toBe(500_000)
    expect(hexOf(wire[0]!.bytes) + hexOf(wire.at(-1)!.bytes)).toBe('FAFC')
  })

  // 60 000 / mean interval: docs of the trade's arithmetic, common practice.
  it.each([
    [[0, 500, 1000], 120],
    [[0, 640, 1279], 93.8],
    [[0, 1200, 2400, 3600], 50],
    [[0, 300, 600, 900], 200],
    [[5], null],
  ])('taps at %j ms are %s bpm', (taps, bpm) => {
    expect(readTaps(taps.map((ms) => ms * 1000))?.bpm ?? null).toBe(bpm)
  })

  it('a tap after two seconds begins anew', () => {
    const rig = floorRig({ positions: [[{ kind: 'tap', controlId: null }]] })
    const at = (...times: number[]) =>
      feet(
        rig,
        times.flatMap((ms) => stepAt(ms)),
      ).state.known.tempo
    expect([at(0, 500), at(0, 500, 2600), at(0, 500, 2600, 3200)]).toEqual([120, 120, 100])
  })
})

describe('typed bytes', () => {
  it.each([
    ['B3 14 7F', 'B3 14 7F'],
    ['b3147f', 'B3 14 7F'],
    ['0xB3, 0x14, 0x7F', 'B3 14 7F'],
    ['C3 B', 'C3 0B'],
  ])('%s is read', (typed, hex) => {
    const read = readBytes(typed)
    expect(read.ok && hexOf(read.value.bytes)).toBe(hex)
  })

  it.each([
    ['B3 14', { code: 'garbage', reason: 'truncated' }],
    ['14 7F', { code: 'garbage', reason: 'strayData' }],
    ['F4', { code: 'garbage', reason: 'undefinedStatus' }],
    ['B3 14 7FF', { code: 'noHex', text: '7FF' }],
    ['hello', { code: 'noHex', text: 'hello' }],
    ['', { code: 'noMessage' }],
  ])('%s is refused', (typed, refusal) => {
    expect(readBytes(typed)).toMatchObject({ ok: false, refusal })
  })
})
