import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated, runs } from '#testing/runs'
import { makeControl } from '../rig/testing/makeRig'
import { shownFor } from '../rig/chart/reading'
import type { Control } from '../rig/table/control'
import { DIVISIONS, type Division } from '../rig/table/division'
import { clockInterval, clockSeen, clockShare } from './clock'
import { divisionBpm, divisionHz, divisionMs, divisionNamed, nearestDivision, quarterMs } from './divisions'
import { isOffBeat, type TimeInSound } from '../sound/timeInSounds'
import { keptAt, offBeatMs, timeUnit } from './timed'

/** Shares of a quarter, written out: midi-facts, "Arithmetic" (from memory), and the usual meaning of dots and triplets. */
const OF_A_QUARTER: Record<Division, number> = {
  whole: 4,
  dottedHalf: 3,
  half: 2,
  dottedQuarter: 1.5,
  halfTriplet: 4 / 3,
  quarter: 1,
  dottedEighth: 0.75,
  quarterTriplet: 2 / 3,
  eighth: 0.5,
  dottedSixteenth: 0.375,
  eighthTriplet: 1 / 3,
  sixteenth: 0.25,
  sixteenthTriplet: 1 / 6,
  thirtySecond: 0.125,
}

describe('note values', () => {
  // midi-facts, "Arithmetic": 120 bpm is 500, 250, 375, 333.3 and 750 ms, and 2 Hz. From memory.
  it('at 120 are what the arithmetic says', () => {
    const at = (division: Division) => Number(divisionMs(120, division).toFixed(1))
    expect(
      ['quarter', 'eighth', 'dottedEighth', 'quarterTriplet', 'dottedQuarter'].map((one) =>
        at(one as Division),
      ),
    ).toEqual([500, 250, 375, 333.3, 750])
    expect(divisionHz(120, 'quarter')).toBe(2)
    expect(clockInterval(120) / 1000).toBeCloseTo(20.833, 3)
  })

  it('are right from 30 to 300 bpm, as length, rate, tempo and in clocks', () => {
    for (let bpm = 30; bpm <= 300; bpm = Math.round((bpm + 0.1) * 10) / 10) {
      expect(quarterMs(bpm)).toBe(60_000 / bpm)
      // 2500 / bpm ms a clock, 24 of them a quarter (M1 v4.2.1; from memory).
      expect(clockInterval(bpm) / 1000).toBeCloseTo(2500 / bpm, 9)
      expect((clockInterval(bpm) * 24) / 1000).toBeCloseTo(60_000 / bpm, 6)
      // 24 bytes of 320 µs in a quarter note.
      expect(clockShare(bpm)).toBeCloseTo((24 * 0.32) / (60_000 / bpm), 9)
      for (const division of DIVISIONS) {
        const ms = (60_000 / bpm) * OF_A_QUARTER[division]
        expect(divisionMs(bpm, division)).toBeCloseTo(ms, 6)
        expect(divisionHz(bpm, division)).toBeCloseTo(1000 / ms, 9)
        expect(divisionBpm(bpm, division)).toBeCloseTo(60_000 / ms, 6)
        expect(nearestDivision(bpm, divisionMs(bpm, division))).toBe(division)
      }
    }
  })

  it.each([
    ['Quarter', 'quarter'],
    ['Dotted eighth', 'dottedEighth'],
    ['1/8D', 'dottedEighth'],
    ['1/8.', 'dottedEighth'],
    ['1/4 T', 'quarterTriplet'],
    ['Eighth triplet', 'eighthTriplet'],
    ['Triplet eighth', 'eighthTriplet'],
    ['1/16', 'sixteenth'],
    ['Half note', 'half'],
    ['Dotted half', 'dottedHalf'],
    ['Whole', 'whole'],
    ['1/32', 'thirtySecond'],
    // Every word of a name counts: common practice in charts; what has no name here is not guessed.
    ['1/8 dot', 'dottedEighth'],
    ['1/8 dotted', 'dottedEighth'],
    ['8th dot.', null],
    ['1/4 straight', 'quarter'],
    ['1/8 (T)', 'eighthTriplet'],
    ['1/4 left', null],
    ['1/64', null],
    ['1/24', null],
    ['1/12', null],
    ['1/32T', null],
    ['Half speed', null],
    ['Hall 2', null],
    ['8 ms', null],
    ['Scene 4', null],
    ['Triplet', null],
  ])('%s is read as %s', (name, division) => {
    expect(divisionNamed(name)).toBe(division)
  })
})

const range = (
  unit: string,
  low: number,
  high: number,
  scale: 'linear' | 'logarithmic',
  from = 0,
  to = 127,
) => makeControl('time', 'echo', 20, { reading: { kind: 'range', unit, low, high, scale, from, to } })

const ranges: fc.Arbitrary<Control> = fc
  .record({
    unit: fc.constantFrom('ms', 's', 'Hz', 'bpm'),
    low: fc.double({ min: 0.02, max: 1, noNaN: true }),
    wide: fc.double({ min: 2, max: 60, noNaN: true }),
    scale: fc.constantFrom('linear' as const, 'logarithmic' as const),
    from: fc.integer({ min: 0, max: 40 }),
    to: fc.integer({ min: 60, max: 127 }),
    isTurned: fc.boolean(),
  })
  .map(({ unit, low, wide, scale, from, to, isTurned }) => {
    const least = unit === 'ms' ? low * 1000 : unit === 'bpm' ? 20 + low * 40 : low
    const most = unit === 'Hz' ? Math.min(60, least * wide) : least * wide
    return isTurned ? range(unit, most, least, scale, from, to) : range(unit, least, most, scale, from, to)
  })

/** How long a value of a control is, in ms: plainly. */
function lengthOf(control: Control, value: number): number {
  const shown = shownFor(control.reading, value, 127) as number
  const { unit } = control.reading as { unit: string }
  if (unit === 'ms') return shown
  if (unit === 's') return shown * 1000
  if (unit === 'Hz') return 1000 / shown
  // A tempo of its own: its quarter stands for the note value.
  return 60_000 / shown
}

describe('the nearest value a control can reach', () => {
  it('is that of a plain search over all 128', () => {
    let near = 0
    fc.assert(
      fc.property(
        ranges,
        fc.integer({ min: 300, max: 3000 }),
        fc.constantFrom(...DIVISIONS),
        (control, tenths, division) => {
          const bpm = tenths / 10
          const kept = keptAt(control, bpm, division)!
          const meant = (60_000 / bpm) * OF_A_QUARTER[division]
          const lengths = Array.from({ length: 128 }, (_, value) => lengthOf(control, value))
          if (kept.kind === 'beyond') {
            const [least, most] = [Math.min(...lengths), Math.max(...lengths)]
            expect(meant < least + 1e-6 || meant > most - 1e-6).toBe(true)
            return
          }
          if (kept.kind !== 'near') throw new Error(kept.kind)
          near++
          const least = Math.min(...lengths.map((one) => Math.abs(one - meant)))
          expect(Math.abs(kept.errorMs)).toBeCloseTo(least, 6)
          expect(kept.errorMs).toBeCloseTo(lengths[kept.value]! - meant, 6)
          expect(offBeatMs(control, bpm, division, kept.value)).toBeCloseTo(kept.errorMs, 6)
        },
      ),
      generated(2000, 13),
    )
    expect(near).toBeGreaterThan(runs(400))
  })

  // Common practice: 93.8 bpm is 639.7 ms a quarter; a delay of 20-1200 ms on 128 even steps.
  it('says how far off it is', () => {
    expect(keptAt(range('ms', 20, 1200, 'linear'), 93.8, 'quarter')).toEqual({
      kind: 'near',
      wanted: 60_000 / 93.8,
      value: 67,
      reached: 20 + (67 / 127) * 1180,
      lengthMs: 20 + (67 / 127) * 1180,
      errorMs: 20 + (67 / 127) * 1180 - 60_000 / 93.8,
    })
  })

  it('is refused where no value of the range can be sent', () => {
    expect(keptAt(range('ms', 20, 1200, 'linear', 200, 300), 120, 'quarter')).toMatchObject({
      kind: 'beyond',
    })
  })

  it('is refused beyond the range, and a frequency of a tone is no rate', () => {
    expect(keptAt(range('ms', 20, 600, 'linear'), 60, 'quarter')).toEqual({
      kind: 'beyond',
      wanted: 1000,
      low: 20,
      high: 600,
    })
    expect(timeUnit(range('Hz', 200, 3200, 'logarithmic'))).toBeNull()
    expect(timeUnit(range('%', 0, 100, 'linear'))).toBeNull()
    expect(timeUnit(range('Hz', 0.1, 10, 'logarithmic'))).toBe('rate')
  })

  it('of named note values is the one that means it, at any tempo', () => {
    const names = ['Quarter', 'Dotted eighth', 'Eighth', 'Triplet'].map((name, value) => ({ value, name }))
    const control = makeControl('division', 'echo', 21, { reading: { kind: 'named', names } })
    expect(keptAt(control, 77, 'dottedEighth')).toEqual({ kind: 'named', value: 1, name: 'Dotted eighth' })
    expect(keptAt(control, 77, 'whole')).toEqual({ kind: 'unnamed' })
  })

  it('is not proposed in place of one that is as near', () => {
    const control = range('ms', 20, 1200, 'linear')
    const kept = keptAt(control, 120, 'quarter')
    if (kept?.kind !== 'near') throw new Error('no value')
    const time = (value: number) =>
      ({
        control,
        bpm: 120,
        division: 'quarter',
        value,
        offMs: offBeatMs(control, 120, 'quarter', value),
        nearest: kept,
      }) as unknown as TimeInSound
    expect([kept.value, kept.value + 4].map((value) => isOffBeat(time(value)))).toEqual([false, true])
  })
})

describe('what was seen of a clock', () => {
  it('counts, and says how late and how uneven it was', () => {
    const interval = clockInterval(120)
    const ends = Array.from({ length: 25 }, (_, n) => n * interval + (n === 10 ? 960 : 0))
    const seen = clockSeen(ends, interval)
    expect(seen.clocks).toBe(25)
    expect(seen.bpm).toBeCloseTo(120, 6)
    expect(seen.latest).toBeCloseTo(960, 6)
    expect(seen.jitter).toBeCloseTo(1920, 6)
  })
})
