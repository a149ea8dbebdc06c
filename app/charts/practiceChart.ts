import { scaleLinear, scalePoint } from 'd3-scale'
import type { Practice } from '#core/rig'

/** One day of practice as it is drawn. */
export interface PracticeDot {
  readonly on: string
  readonly x: number
  /** Where the share of misses ends, from the top. */
  readonly missY: number
  /** Where the mean time to a switch is; null where none was found. */
  readonly timeY: number | null
  readonly missShare: number
  readonly meanMs: number | null
}

/** The last days are drawn. */
const DAYS = 30

export const meanMs = ({ found, foundMs }: Pick<Practice, 'found' | 'foundMs'>): number | null =>
  found === 0 ? null : foundMs / found

/** Days from left to right, misses as bars up to all of them, times as a line up to the slowest day. */
export function practiceChart(days: readonly Practice[], width: number, height: number) {
  const drawn = days.filter(({ calls }) => calls > 0).slice(-DAYS)
  const x = scalePoint(
    drawn.map(({ on }) => on),
    [0, width],
  ).padding(0.5)
  const longest = Math.max(1000, ...drawn.map((one) => meanMs(one) ?? 0))
  const missY = scaleLinear([0, 1], [height, 0])
  const timeY = scaleLinear([0, longest], [height, 0]).nice(2)
  const dots = drawn.map((one): PracticeDot => {
    const ms = meanMs(one)
    const missShare = one.misses / one.calls
    return {
      on: one.on,
      x: x(one.on)!,
      missY: missY(missShare),
      timeY: ms === null ? null : timeY(ms),
      missShare,
      meanMs: ms,
    }
  })
  return { dots, longestMs: timeY.domain()[1]!, bar: Math.min(18, x.step() * 0.5 || 18) }
}
