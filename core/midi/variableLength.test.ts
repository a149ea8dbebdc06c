import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { appendVariableLength, decodeVariableLength, VARIABLE_LENGTH_MAX } from './variableLength'

const encodeVariableLength = (value: number): number[] => {
  const bytes: number[] = []
  appendVariableLength(bytes, value)
  return bytes
}

describe('variable-length numbers', () => {
  // RP-001, Standard MIDI Files 1.0, the document's own examples; from memory.
  it.each([
    [0x00, [0x00]],
    [0x40, [0x40]],
    [0x7f, [0x7f]],
    [0x80, [0x81, 0x00]],
    [0x2000, [0xc0, 0x00]],
    [0x3fff, [0xff, 0x7f]],
    [0x4000, [0x81, 0x80, 0x00]],
    [0x100000, [0xc0, 0x80, 0x00]],
    [0x1fffff, [0xff, 0xff, 0x7f]],
    [0x200000, [0x81, 0x80, 0x80, 0x00]],
    [0x8000000, [0xc0, 0x80, 0x80, 0x00]],
    [0xfffffff, [0xff, 0xff, 0xff, 0x7f]],
  ])('writes %i as the standard does', (value, bytes) => {
    expect(encodeVariableLength(value)).toEqual(bytes)
    expect(decodeVariableLength(bytes, 0)).toEqual({ value, length: bytes.length })
  })

  it('comes back as it went', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: VARIABLE_LENGTH_MAX }), (value) => {
        expect(decodeVariableLength(encodeVariableLength(value), 0)?.value).toBe(value)
      }),
      generated(100, 30),
    )
  })

  it('refuses what does not fit', () => {
    expect(() => encodeVariableLength(VARIABLE_LENGTH_MAX + 1)).toThrow(RangeError)
    expect(() => encodeVariableLength(-1)).toThrow(RangeError)
    expect(decodeVariableLength([0x81], 0)).toBeNull()
    expect(decodeVariableLength([0x81, 0x80, 0x80, 0x80, 0x00], 0)).toBeNull()
  })
})
