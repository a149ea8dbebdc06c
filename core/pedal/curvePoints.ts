import { CURVE_POINTS_MAX, type Curve, type CurvePoint } from '#core/rig'
import { curveAt } from './curve'

/** Points nearer than this share of the travel to one another cannot be told apart by hand. */
const APART = 0.005

const limit = (share: number): number => Math.round(Math.min(1, Math.max(0, share)) * 1000) / 1000

/** A point led elsewhere; it stays between its neighbours, and the first and last stay at heel and toe. */
export function movePoint(points: readonly CurvePoint[], n: number, { at, to }: CurvePoint): CurvePoint[] {
  const [before, after] = [points[n - 1], points[n + 1]]
  const room = before && after ? Math.min(APART, (after.at - before.at) / 4) : 0
  const across =
    before && after ? Math.min(after.at - room, Math.max(before.at + room, limit(at))) : points[n]!.at
  return points.map((point, m) => (m === n ? { at: across, to: limit(to) } : point))
}

/** One more point; the same list where there is one already, or as many as a curve may have. */
export function addPoint(points: readonly CurvePoint[], { at, to }: CurvePoint): readonly CurvePoint[] {
  const fresh = { at: limit(at), to: limit(to) }
  if (points.length >= CURVE_POINTS_MAX || points.some((one) => Math.abs(one.at - fresh.at) < APART))
    return points
  return [...points, fresh].sort((a, b) => a.at - b.at)
}

/** One more in the middle of the widest piece, where the curve goes already. */
export function splitWidest(points: readonly CurvePoint[]): readonly CurvePoint[] {
  const gap = (n: number) => points[n + 1]!.at - points[n]!.at
  const widest = points.slice(0, -1).reduce((best, _, n) => (gap(n) > gap(best) ? n : best), 0)
  const at = points[widest]!.at + gap(widest) / 2
  return addPoint(points, { at, to: curveAt({ kind: 'points', points: [...points] }, at) })
}

/** Without a point; those at heel and toe stay. */
export const removePoint = (points: readonly CurvePoint[], n: number): readonly CurvePoint[] =>
  n > 0 && n < points.length - 1 ? points.toSpliced(n, 1) : points

/** Points that go where another curve goes, to begin with. */
export const pointsAlong = (curve: Curve): CurvePoint[] =>
  [0, 0.25, 0.5, 0.75, 1].map((at) => ({ at, to: limit(curveAt(curve, at)) }))
