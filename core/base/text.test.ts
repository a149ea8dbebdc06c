import * as fc from 'fast-check'
import { expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { canBeKept, cutText, keepable, letterCount, utf8Length } from './text'

// Second witness: the platform's own encoder and iterator.
it('counts code points and UTF-8 bytes as the platform does', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), (text) => {
      expect(letterCount(text)).toBe([...text].length)
      expect(utf8Length(text)).toBe(new TextEncoder().encode(text).length)
    }),
    generated(100, 7),
  )
})

it('cuts between code points, never through a pair', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), fc.nat(20), (text, most) => {
      expect(cutText(text, most)).toBe([...text].slice(0, most).join(''))
    }),
    generated(100, 7),
  )
  expect(cutText('🎸🎸🎸', 2)).toBe('🎸🎸')
})

it.each([
  ['a NUL', 'a\0b', 'a\uFFFDb'],
  ['a first half alone', 'a\uD83C', 'a\uFFFD'],
  ['a second half alone', '\uDFB8a', '\uFFFDa'],
])('knows %s cannot be kept', (_, text, kept) => {
  expect(canBeKept(text)).toBe(false)
  expect(keepable(text)).toBe(kept)
})

it('keeps whole emoji and controls', () => {
  expect(canBeKept('🎸 "Łódź"\t\n\u0001')).toBe(true)
})
