import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { formatDisplay, parseDisplay } from './display'
import { anyNumbering } from './testing/makeNumbering'
import { PLAIN_128, type Numbering } from './numbering'

const echo: Numbering = {
  style: 'banked',
  count: 128,
  bankSelect: 'none',
  programsPerBank: 128,
  bank: { symbols: 'letters' },
  slot: { symbols: 'digits', first: 1 },
  slots: 8,
  separator: '',
}

describe('what the display shows', () => {
  // Common practice: 1 for program 0, 0 for 0, letter and number, bank and digit.
  it.each<[string, Numbering, number, string]>([
    ['counts from 1', PLAIN_128, 11, '12'],
    ['counts from 0', { ...PLAIN_128, first: 0 }, 11, '11'],
    ['pads', { ...PLAIN_128, digits: 3 }, 0, '001'],
    ['letter and number', echo, 11, 'B4'],
    ['the last of 128 in eights', echo, 127, 'P8'],
    ['past Z', { ...echo, count: 300, bankSelect: 'both' }, 26 * 8, 'AA1'],
    [
      'number and letter',
      { ...echo, bank: { symbols: 'digits', first: 1 }, slot: { symbols: 'letters' }, slots: 4 },
      7,
      '2D',
    ],
    [
      'two numbers',
      { ...echo, bank: { symbols: 'digits', first: 0 }, slots: 10, separator: '-' },
      15,
      '1-06',
    ],
  ])('%s', (_, numbering, index, display) => {
    expect(formatDisplay(numbering, index)).toBe(display)
    expect(parseDisplay(numbering, display)).toEqual({ ok: true, value: index })
  })

  it('comes back over the whole range of any numbering, and no two presets look alike', () => {
    fc.assert(
      fc.property(anyNumbering, (numbering) => {
        const range = Array.from({ length: numbering.count }, (_, index) => index)
        const displays = range.map((index) => formatDisplay(numbering, index))
        expect(new Set(displays).size).toBe(numbering.count)
        expect(displays.map((display) => parseDisplay(numbering, display))).toEqual(
          range.map((value) => ({ ok: true, value })),
        )
      }),
      generated(60, 50),
    )
  })

  it('throws outside the range', () => {
    expect(() => formatDisplay(PLAIN_128, 128)).toThrow(
      'A preset index must be a whole number from 0 to 127, got 128',
    )
    expect(() => formatDisplay(PLAIN_128, -1)).toThrow(RangeError)
    expect(() => formatDisplay(PLAIN_128, NaN)).toThrow(RangeError)
  })
})

describe('what a player may type', () => {
  it.each([
    [echo, 'b4', 11],
    [echo, ' B 4 ', 11],
    [echo, 'B-04', 11],
    [{ ...PLAIN_128, digits: 3 } as Numbering, '12', 11],
    [PLAIN_128, '012', 11],
  ])('is read generously', (numbering, text, index) => {
    expect(parseDisplay(numbering, text)).toEqual({ ok: true, value: index })
  })

  it.each([
    [PLAIN_128, '0', 'outside'],
    [PLAIN_128, '129', 'outside'],
    [PLAIN_128, '', 'unreadable'],
    [PLAIN_128, 'B4', 'unreadable'],
    [PLAIN_128, '1.5', 'unreadable'],
    [PLAIN_128, '-1', 'unreadable'],
    [echo, 'Q1', 'outside'],
    [echo, 'B9', 'outside'],
    [echo, 'B0', 'outside'],
    [echo, '12', 'unreadable'],
    [echo, 'B', 'unreadable'],
  ] as const)('is refused with the range: %#', (numbering, text, code) => {
    const [first, last] = numbering === PLAIN_128 ? ['1', '128'] : ['A1', 'P8']
    expect(parseDisplay(numbering, text)).toEqual({ ok: false, refusal: { code, text, first, last } })
  })
})
