import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import type { Reading, ReadingOf } from '../table/control'
import { shownFor, shownText, stepAt, valueFor, valueInRange } from './reading'

const range = (unit: string, low: number, high: number, fields: Partial<ReadingOf<'range'>> = {}) =>
  ({ kind: 'range', unit, low, high, scale: 'linear', from: 0, to: 127, ...fields }) as const
const valueOf = (reading: Reading, text: string, highest = 127) => {
  const value = valueFor(reading, text, highest)
  if (!value.ok) throw new Error(JSON.stringify(value.refusal))
  return value.value
}

describe('values and what a device makes of them', () => {
  // Common practice: a wah is playable from 23 to 74 %, which is CC 29 to 94.
  it('23 % is 29, 74 % is 94', () => {
    const wah = range('%', 0, 100)
    expect([valueOf(wah, '23 %'), valueOf(wah, '74')]).toEqual([29, 94])
    // 29 / 127 = 22.8 %: the fraction of a value is v / 127.
    expect([shownText(wah, 29, 127), shownText(wah, 94, 127)]).toEqual(['22.8 %', '74.0 %'])
  })

  // Common practice: -12 semitones at 0 %, +12 at 100 %; +7 semitones is CC 101.
  it('+7 semitones of -12 to +12 is 101', () => {
    const pitch = range('semitones', -12, 12)
    expect(valueOf(pitch, '+7 semitones')).toBe(101)
    expect(valueOf(pitch, '-12')).toBe(0)
    expect(shownFor(pitch, 101, 127)).toBeCloseTo(7.087, 3)
  })

  // M1 v4.2.1: a switch reads 0-63 as off and 64-127 as on; from memory.
  it('a switch turns at 64', () => {
    const lax: Reading = { kind: 'switch', isStrict: false }
    expect([0, 63, 64, 127].map((value) => shownFor(lax, value, 127))).toEqual(['off', 'off', 'on', 'on'])
    expect([valueOf(lax, 'off'), valueOf(lax, 'On')]).toEqual([0, 127])
  })

  // Common practice: scene 1, 2, 3 is value 0, 1, 2.
  it('scenes are counted from 0', () => {
    const scenes: Reading = {
      kind: 'named',
      names: ['Scene 1', 'Scene 2', 'Scene 3'].map((name, value) => ({ value, name })),
    }
    expect(['Scene 1', 'scene 2', '3'].map((text) => valueOf(scenes, text))).toEqual([0, 1, 2])
    expect([0, 1, 2, 127].map((value) => shownFor(scenes, value, 127))).toEqual([
      'Scene 1',
      'Scene 2',
      'Scene 3',
      'Scene 3',
    ])
  })

  it('a logarithmic range has equal ratios: the middle is the geometric mean', () => {
    const frequency = range('Hz', 20, 20_480, { scale: 'logarithmic', to: 126 })
    expect(shownFor(frequency, 63, 126)).toBeCloseTo(640, 6)
    expect(valueOf(frequency, '640 Hz', 126)).toBe(63)
  })

  it('a range holds outside its ends, and may run backwards', () => {
    const part = range('%', 100, 0, { from: 20, to: 100 })
    expect([0, 20, 60, 100, 127].map((value) => shownFor(part, value, 127))).toEqual([100, 100, 50, 0, 0])
    expect(valueOf(part, '50')).toBe(60)
  })

  it('says the step, and shows as many digits as tell steps apart', () => {
    expect(stepAt(range('%', 0, 100), 5, 127)).toBeCloseTo(100 / 127, 9)
    expect(shownText(range('s', 0, 1), 64, 127)).toBe('0.504 s')
    expect(shownText(range('dB', -15, 15), 64, 127)).toBe('0.1 dB')
    expect(stepAt({ kind: 'trigger', value: 127 }, 0, 127)).toBeNull()
  })

  it.each([
    [range('%', 0, 100), '120 %', 'outside'],
    [range('%', 0, 100), '35 ms', 'unreadable'],
    [range('%', 0, 100), 'much', 'unreadable'],
    [{ kind: 'switch', isStrict: true } as Reading, 'maybe', 'unreadable'],
    [
      {
        kind: 'named',
        names: [
          { value: 0, name: 'Hall' },
          { value: 1, name: 'Halo' },
        ],
      } as Reading,
      'hal',
      'unreadable',
    ],
  ])('refuses what cannot be meant: %o %s', (reading, text, code) => {
    expect(valueFor(reading, text, 127)).toMatchObject({ ok: false, refusal: { code } })
  })

  it('throws for values that cannot be sent', () => {
    expect(() => shownFor(range('%', 0, 100), 128, 127)).toThrow(RangeError)
    expect(() => shownFor(range('%', 0, 100), Number.NaN, 127)).toThrow(RangeError)
  })
})

describe('the round trip over the whole range', () => {
  const anyRange = fc
    .record({
      low: fc.double({ min: -1000, max: 1000, noNaN: true }),
      span: fc.double({ min: 0.5, max: 5000, noNaN: true }),
      isBackwards: fc.boolean(),
      isLogarithmic: fc.boolean(),
      highest: fc.constantFrom(127, 16_383),
    })
    .map(({ low, span, isBackwards, isLogarithmic, highest }) => {
      const start = isLogarithmic ? Math.abs(low) + 0.1 : low
      const [a, b] = [start, start + span]
      return {
        highest,
        reading: range('', isBackwards ? b : a, isBackwards ? a : b, {
          scale: isLogarithmic ? 'logarithmic' : 'linear',
          to: highest,
        }),
      }
    })

  it('what a value shows is that value again, for every value of any range', () => {
    fc.assert(
      fc.property(anyRange, ({ reading, highest }) => {
        for (let value = 0; value <= highest; value += highest > 127 ? 131 : 1)
          expect(valueInRange(reading, shownFor(reading, value, highest) as number)).toEqual({
            ok: true,
            value,
          })
      }),
      generated(60, 74),
    )
  })

  it('what is typed as it reads is that value again, for every value of the usual ranges', () => {
    for (const reading of [
      range('%', 0, 100),
      range('semitones', -12, 12),
      range('dB', -15, 15),
      range('ms', 20, 1200, { scale: 'logarithmic' }),
      range('', 0, 127),
    ])
      for (let value = 0; value <= 127; value++)
        expect(valueOf(reading, shownText(reading, value, 127))).toBe(value)
  })
})

describe('what a player types for a value', () => {
  // Common practice: an eighth at 120 bpm is 250 ms (60 000 / 120 / 2).
  it.each<[ReadingOf<'range'>, string, number]>([
    [range('semitones', -12, 12), '+ 7', 101],
    [range('semitones', -12, 12), '7 st', 101],
    [range('semitones', -12, 12), '\u221212', 0],
    [range('semitones', -12, 12), '\u2212 12 semitones', 0],
    [range('semitones', -12, 12), '700 cents', 101],
    [range('s', 0, 1), '.5', 64],
    [range('s', 0, 1), '500 ms', 64],
    [range('s', 0, 1), '0,5', 64],
    [range('ms', 0, 1000), '0.5 s', 64],
    [range('ms', 0, 1000), '250', 32],
    [range('Hz', 0, 2400), '1.2k', 64],
    [range('Hz', 0, 2400), '1.2 kHz', 64],
    [range('kHz', 0, 2.4), '1200 Hz', 64],
    [range('kHz', 0, 2.4), '1.2k', 64],
    [range('Hz', 0, 2_469_136), '1,234,568 Hz', 64],
    [range('Hz', 0, 2469), '1,234.5', 64],
  ])('in %o, %s', (reading, text, value) => {
    expect(valueOf(reading, text)).toBe(value)
  })

  it('"1,200" is a thousand or a little more than one: both are said, none is taken', () => {
    expect(valueFor(range('ms', 0, 2000), '1,200', 127)).toEqual({
      ok: false,
      refusal: { code: 'unreadable', text: '1,200', allowed: '1200 or 1.2, without a comma or point' },
    })
    // A zero before it leaves no choice.
    expect(valueOf(range('s', 0, 1), '0,500')).toBe(64)
  })

  it.each([
    [range('%', 0, 100), '35 ms'],
    [range('semitones', -12, 12), '7 s'],
    [range('ms', 0, 1000), '1.2k'],
    [range('', 0, 10), '5 ms'],
    [range('s', 0, 1), '--5'],
  ])('in another unit it is refused: %o, %s', (reading, text) => {
    expect(valueFor(reading, text, 127)).toMatchObject({ ok: false, refusal: { code: 'unreadable' } })
  })
})
