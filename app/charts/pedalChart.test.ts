import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { namePlaces, namesRoom, pathOf, pedalScales, shortened } from './pedalChart'
import { delayPaths, ridePath } from './rideChart'

describe('names at the ends of lines', () => {
  it('stand apart, in the order of their lines, and within the drawing where there is room', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 20, max: 280 }), { minLength: 1, maxLength: 8 }), (wanted) => {
        const places = namePlaces(wanted, 30, 20, 280)
        const order = wanted.map((y, n) => n).sort((a, b) => wanted[a]! - wanted[b]! || a - b)
        const sorted = order.map((n) => places[n]!)
        for (let n = 1; n < sorted.length; n++)
          expect(sorted[n]! - sorted[n - 1]!).toBeGreaterThanOrEqual(30 - 1e-9)
        expect(Math.min(...places)).toBeGreaterThanOrEqual(20)
        expect(Math.max(...places)).toBeLessThanOrEqual(280)
      }),
      generated(300, 7),
    )
  })

  it('stay where they are wanted while none is near another', () => {
    expect(namePlaces([250, 40, 120], 30, 20, 280)).toEqual([250, 40, 120])
  })

  it('are cut in a narrow drawing', () => {
    expect(shortened('Hall reverb', namesRoom(360).letters)).toBe('Hall reverb')
    expect(shortened('Modular effects unit', namesRoom(360).letters)).toBe('Modular eff…')
  })
})

describe('the drawing', () => {
  it('goes from heel to toe in 128 steps, up with the share', () => {
    const scales = pedalScales(680, 280)
    const path = pathOf(
      Array.from({ length: 128 }, (_, n) => n / 127),
      scales,
    )
    expect(path.match(/[ML]/g)).toHaveLength(128)
    expect(path.startsWith('M46,258')).toBe(true)
    expect(scales.x(127)).toBe(680 - 148)
    expect(scales.x.invert(scales.x(40))).toBeCloseTo(40, 9)
  })

  it('of a ride stands still between two moves', () => {
    const moves = [
      { at: 0, position: 0 },
      { at: 500, position: 127 },
    ]
    expect(ridePath({ moves, length: 1000 }, 100, 52)).toBe('M0.0,50.0L50.0,50.0L50.0,3.0L100.0,3.0')
  })

  it('of the delays has a line for what is wrong and one for waiting', () => {
    const { wrong, waiting, mostWrong } = delayPaths(
      [
        { delayMs: 0, wrong: 2, missed: 0, waiting: 0 },
        { delayMs: 10, wrong: 0, missed: 0, waiting: 10 },
      ],
      100,
      50,
    )
    expect([wrong, waiting, mostWrong]).toEqual(['M0.0,6.0L100.0,48.0', 'M0.0,48.0L100.0,6.0', 2])
  })
})
