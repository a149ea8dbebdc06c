import { describe, expect, it } from 'vitest'
import { readNumber, type NumberLimits } from './typedNumber'

const TEMPO: NumberLimits = { min: 20, max: 400, decimals: 1, unit: 'bpm' }
const MS: NumberLimits = { min: 0, max: 10_000, decimals: 0, unit: 'ms' }
const SMALL: NumberLimits = { min: 0, max: 5000, decimals: 3, unit: '' }
const read = (text: string, limits = TEMPO) => {
  const one = readNumber(text, limits)
  return one.ok ? one.value : one.refusal.code
}

// Both decimal signs are in use: ISO 80000-1:2009, 7.3.2 allows comma and point (from memory).
describe('a typed number', () => {
  it('is read with either decimal sign', () => {
    expect(['97,5', '97.5', '97,5 bpm', '97.5bpm', ' 97.50 ', '97'].map((one) => read(one))).toEqual([
      97.5, 97.5, 97.5, 97.5, 97.5, 97,
    ])
  })

  it('is never brought into its limits in silence', () => {
    expect(['975', '19', '-97', '4000'].map((one) => read(one))).toEqual(Array(4).fill('outside'))
  })

  it('is a thousand or a fraction by what the field can take, and asked where it can be both', () => {
    expect(read('1.200', MS)).toBe(1200)
    expect(read('1,200', MS)).toBe(1200)
    expect(read('1.200', SMALL)).toBe('twoMeanings')
    expect(read('1.2', SMALL)).toBe(1.2)
    expect(read('1.2000', SMALL)).toBe(1.2)
    expect(read('0.200', SMALL)).toBe(0.2)
  })

  it('says where it is finer than the field keeps', () => {
    expect([read('97.55'), read('20,5', MS)]).toEqual(['tooFine', 'tooFine'])
  })

  it('is turned from another unit of the same kind, and refused with one of another', () => {
    expect([read('0,5 s', MS), read('1.2s', MS), read('35 %', MS), read('3 st', MS)]).toEqual([
      500,
      1200,
      'noNumber',
      'noNumber',
    ])
  })

  it('is refused where it is none', () => {
    expect(['', 'fast', '97,5,3', '1e3', '--3', '97 to 99'].map((one) => read(one))).toEqual(
      Array(6).fill('noNumber'),
    )
  })
})
