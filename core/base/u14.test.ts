import { expect, it } from 'vitest'
import { joinU14, requireU14, splitU14 } from './u14'

// Arithmetic of the standard: two seven-bit halves. NRPN 12588 is 98 x 128 + 44 (common practice).
it('splits and joins over the whole range', () => {
  expect(splitU14(requireU14(12588))).toEqual({ msb: 98, lsb: 44 })
  const all = Array.from({ length: 16384 }, (_, value) => value)
  const back = all.map((value) => {
    const { msb, lsb } = splitU14(requireU14(value))
    return joinU14(msb, lsb)
  })
  expect(back).toEqual(all)
})

it('refuses what does not fit', () => {
  expect(() => requireU14(16384)).toThrow('A 14-bit value must be a whole number from 0 to 16383, got 16384')
  expect(() => joinU14(128 as never, 0 as never)).toThrow(RangeError)
})
