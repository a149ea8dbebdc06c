import fc from 'fast-check'
import { expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { CURVE_POINTS_MAX, curveSchema, type CurvePoint } from '../rig/table/curve'
import { curveAt } from './curve'
import { addPoint, movePoint, pointsAlong, removePoint, splitWidest } from './curvePoints'

const isCurve = (points: readonly CurvePoint[]) =>
  curveSchema.safeParse({ kind: 'points', points: [...points] }).success

const share = fc.double({ min: -0.5, max: 1.5, noNaN: true })

it('points moved, added, split and taken off in any order are a curve all the way', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          does: fc.constantFrom('move', 'add', 'split', 'remove'),
          n: fc.nat({ max: 40 }),
          point: fc.record({ at: share, to: share }),
        }),
        { maxLength: 60 },
      ),
      (steps) => {
        let points: readonly CurvePoint[] = pointsAlong({ kind: 's' })
        for (const { does, n, point } of steps) {
          const at = n % points.length
          if (does === 'move') points = movePoint(points, at, point)
          else if (does === 'add') points = addPoint(points, point)
          else if (does === 'split') points = splitWidest(points)
          else points = removePoint(points, at)
          expect(isCurve(points)).toBe(true)
        }
      },
    ),
    generated(400, 31),
  )
})

it('one more in the widest piece leaves the curve as it was', () => {
  const before = [
    { at: 0, to: 0 },
    { at: 0.2, to: 0.6 },
    { at: 1, to: 1 },
  ]
  const after = splitWidest(before)
  expect(after[2]).toEqual({ at: 0.6, to: 0.8 })
  for (let n = 0; n <= 100; n++)
    expect(curveAt({ kind: 'points', points: [...after] }, n / 100)).toBeCloseTo(
      curveAt({ kind: 'points', points: before }, n / 100),
      3,
    )
})

it('the ends stay at heel and toe, and no curve has more points than it may', () => {
  const ends = [
    { at: 0, to: 0 },
    { at: 1, to: 1 },
  ]
  expect(movePoint(ends, 0, { at: 0.5, to: 0.3 })).toEqual([{ at: 0, to: 0.3 }, ends[1]])
  expect(removePoint(ends, 1)).toBe(ends)
  let points: readonly CurvePoint[] = ends
  for (let n = 0; n < 40; n++) points = splitWidest(points)
  expect(points.length).toBe(CURVE_POINTS_MAX)
})
