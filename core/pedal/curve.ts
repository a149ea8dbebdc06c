import type { Curve, CurvePoint } from '#core/rig'

/**
 * An audio taper is at a tenth of its range at half of its travel (common practice): (b^t - 1) / (b - 1) is that for
 * b = 81, since it is 1 / (sqrt(b) + 1) at the half.
 */
const TAPER = 81

const clamp = (share: number): number => Math.min(1, Math.max(0, share))

/** Share of the range (0-1) at a share of the travel; shares outside are taken as the nearer end. Throws RangeError on NaN. */
export function curveAt(curve: Curve, share: number): number {
  requireNumber(share)
  const t = clamp(share)
  switch (curve.kind) {
    case 'linear':
      return t
    case 'exponential':
      return (TAPER ** t - 1) / (TAPER - 1)
    case 'logarithmic':
      return Math.log(1 + (TAPER - 1) * t) / Math.log(TAPER)
    case 's':
      return t * t * (3 - 2 * t)
    case 'points':
      return between(curve.points, t)
  }
}

/**
 * The share of the travel at which a curve is at a share of the range: the first from the heel where own points go
 * there more than once, null where they never do. Inverse of {@link curveAt}. Throws RangeError on NaN.
 */
export function shareFor(curve: Curve, range: number): number | null {
  requireNumber(range)
  if (range < 0 || range > 1) return null
  switch (curve.kind) {
    case 'linear':
      return range
    case 'exponential':
      return Math.log(1 + (TAPER - 1) * range) / Math.log(TAPER)
    case 'logarithmic':
      return (TAPER ** range - 1) / (TAPER - 1)
    case 's':
      // The root of 3 t^2 - 2 t^3 = y between 0 and 1, by the trigonometric solution of the cubic.
      return clamp(0.5 - Math.sin(Math.asin(1 - 2 * range) / 3))
    case 'points':
      return firstAt(curve.points, range)
  }
}

function between(points: readonly CurvePoint[], t: number): number {
  const after = points.findIndex(({ at }) => at >= t)
  const next = points[after]!
  if (next.at === t || after === 0) return next.to
  const before = points[after - 1]!
  return before.to + ((next.to - before.to) * (t - before.at)) / (next.at - before.at)
}

function firstAt(points: readonly CurvePoint[], range: number): number | null {
  for (const [n, next] of points.entries()) {
    if (next.to === range) {
      const before = points[n - 1]
      return before && before.to === range ? before.at : next.at
    }
    const before = points[n - 1]
    if (before && before.to !== range && before.to < range !== next.to < range)
      return before.at + ((next.at - before.at) * (range - before.to)) / (next.to - before.to)
  }
  return null
}

function requireNumber(share: number): void {
  if (Number.isNaN(share)) throw new RangeError('A share of a sweep is no number')
}
