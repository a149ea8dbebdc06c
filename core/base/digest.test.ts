import { expect, it } from 'vitest'
import { digest } from './digest'

it.each([
  // Test vectors of the authors of FNV (from memory), 32 bits, FNV-1a.
  ['', '811c9dc5'],
  ['a', 'e40c292c'],
  ['b', 'e70c2de5'],
  ['foobar', 'bf9cf968'],
])('%j has its published mark', (text, mark) => {
  expect(digest(text)).toBe(mark)
})

it('tells texts apart that differ in one letter, also beyond Latin', () => {
  const texts = ['Łódź', 'Lódź', 'Łodź', 'Łódz', '\u0141', 'A\u0001', '\u0001A']
  expect(new Set(texts.map(digest)).size).toBe(texts.length)
})
