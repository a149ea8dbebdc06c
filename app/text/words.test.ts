import { describe, expect, it } from 'vitest'
import { wordOf, WORDS, wordsFor } from './words'

describe('words of the trade', () => {
  it('stand in the order of the alphabet, each explained and compared in one sentence', () => {
    const names = WORDS.map(({ word }) => word.toLowerCase())
    expect(names).toEqual(names.toSorted((a, b) => a.localeCompare(b, 'en')))
    expect(new Set(WORDS.map(({ key }) => key)).size).toBe(WORDS.length)
    for (const { is, like } of WORDS) {
      expect(is).toMatch(/^[A-Z].{20,140}\.$/)
      expect(like).toMatch(/^Like .*\.$/)
    }
  })

  it('are found by their name, by what else they are called, and by what they are about', () => {
    expect(wordsFor('thru')[0]?.key).toBe('thru')
    expect(wordsFor('PC')[0]?.key).toBe('program-change')
    expect(wordsFor('CC 99')[0]?.key).toBe('nrpn')
    expect(wordsFor('doorbell').map(({ key }) => key)).toEqual(['contact', 'momentary'])
    expect(wordsFor('zither')).toEqual([])
    expect(wordsFor(' ')).toBe(WORDS)
  })

  it('are had by key', () => {
    expect(wordOf('nrpn')?.word).toBe('NRPN')
    expect(wordOf('nothing')).toBeUndefined()
  })
})
