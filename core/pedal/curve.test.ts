import { scaleLinear } from 'd3-scale'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import type { Curve, CurvePoint } from '../rig/table/curve'
import { curveAt, shareFor } from './curve'
import { STEPS } from './sweep'

const STEADY: readonly Curve[] = [
  { kind: 'linear' },
  { kind: 'logarithmic' },
  { kind: 'exponential' },
  { kind: 's' },
  {
    kind: 'points',
    points: [
      { at: 0, to: 0 },
      { at: 0.3, to: 0.7 },
      { at: 1, to: 1 },
    ],
  },
]
const POSITIONS = Array.from({ length: STEPS + 1 }, (_, n) => n)

const someShare = fc.integer({ min: 0, max: 1000 }).map((n) => n / 1000)
/** Points as a player drags them: first at the heel, last at the toe, up and down between. */
const somePoints: fc.Arbitrary<CurvePoint[]> = fc
  .tuple(
    fc.uniqueArray(fc.integer({ min: 1, max: 999 }), { maxLength: 8 }),
    fc.array(someShare, { minLength: 10, maxLength: 10 }),
  )
  .map(([inner, tos]) =>
    [0, ...inner.toSorted((a, b) => a - b), 1000].map((at, n) => ({ at: at / 1000, to: tos[n]! })),
  )

describe('curves', () => {
  it.each(STEADY)(
    '$kind goes from heel to toe and never back, and its inverse undoes it at all 128 steps',
    (curve) => {
      expect([curveAt(curve, 0), curveAt(curve, 1)]).toEqual([0, 1])
      let before = -1
      for (const position of POSITIONS) {
        const share = position / STEPS
        const range = curveAt(curve, share)
        expect(range).toBeGreaterThan(before)
        before = range
        expect(shareFor(curve, range)).toBeCloseTo(share, 9)
        // And the other way: where it is asked to be, there it is.
        expect(curveAt(curve, shareFor(curve, share)!)).toBeCloseTo(share, 9)
      }
    },
  )

  it('logarithmic and exponential mirror each other at all 128 steps', () => {
    for (const position of POSITIONS)
      expect(
        curveAt({ kind: 'logarithmic' }, curveAt({ kind: 'exponential' }, position / STEPS)),
      ).toBeCloseTo(position / STEPS, 9)
  })

  it('an exponential one is at a tenth at half of the travel, as an audio taper is (common practice)', () => {
    expect(curveAt({ kind: 'exponential' }, 0.5)).toBeCloseTo(0.1, 12)
    expect(curveAt({ kind: 'logarithmic' }, 0.1)).toBeCloseTo(0.5, 12)
  })

  it('an S is even about its middle', () => {
    for (const position of POSITIONS)
      expect(
        curveAt({ kind: 's' }, position / STEPS) + curveAt({ kind: 's' }, 1 - position / STEPS),
      ).toBeCloseTo(1, 12)
  })

  it('one through own points is what d3-scale makes of them', () => {
    fc.assert(
      fc.property(somePoints, (points) => {
        const scale = scaleLinear(
          points.map(({ at }) => at),
          points.map(({ to }) => to),
        )
        for (const position of POSITIONS)
          expect(curveAt({ kind: 'points', points }, position / STEPS)).toBeCloseTo(
            scale(position / STEPS),
            9,
          )
      }),
      generated(300, 12),
    )
  })

  it('one through own points is undone wherever it comes to; where it never comes that is said', () => {
    fc.assert(
      fc.property(somePoints, someShare, (points, range) => {
        const curve: Curve = { kind: 'points', points }
        const share = shareFor(curve, range)
        const [low, high] = [Math.min(...points.map(({ to }) => to)), Math.max(...points.map(({ to }) => to))]
        if (range < low || range > high) expect(share).toBeNull()
        else {
          expect(curveAt(curve, share!)).toBeCloseTo(range, 9)
          // It is the first from the heel: before it the curve has not been there.
          const side = points[0]!.to <= range
          for (let n = 0; n < 50; n++)
            expect(
              curveAt(curve, (share! * n) / 50) <= range + 1e-9 === side || points[0]!.to === range,
            ).toBe(true)
        }
      }),
      generated(500, 13),
    )
  })

  it('take what is beyond the travel as its end, and refuse what is no number', () => {
    expect(curveAt({ kind: 's' }, -3)).toBe(0)
    expect(curveAt({ kind: 's' }, 7)).toBe(1)
    expect(shareFor({ kind: 's' }, 1.2)).toBeNull()
    expect(() => curveAt({ kind: 'linear' }, Number.NaN)).toThrow(RangeError)
    expect(() => shareFor({ kind: 'linear' }, Number.NaN)).toThrow(RangeError)
  })
})
