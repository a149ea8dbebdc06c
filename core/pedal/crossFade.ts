import { own } from '#core/base'
import type { Rig, PedalRole } from '#core/rig'
import { fullEnds, playsAt, STEPS } from './sweep'

/** Two targets of which one comes in while the other goes out. */
export interface CrossFade {
  /** Which targets, from 0. */
  readonly targets: readonly [number, number]
  /** Both together at each of the 128 steps, each as a share of the way between its own ends: 1 where one is all there. */
  readonly sum: readonly number[]
  /** The step at which the sum is furthest from 1, and what it is there. */
  readonly worst: { readonly position: number; readonly sum: number }
}

/** The first pair of a role that leads two controls in opposite directions; null when none does. */
export function crossFade(rig: Rig, { targets }: PedalRole): CrossFade | null {
  const levels = targets.map((target) => {
    const control = own(rig.controls, target.controlId)
    if (!control) return null
    const { heel, toe } = fullEnds(control)
    const plays = (position: number) => playsAt(target, control, position) / (toe - heel)
    const ends = [plays(0), plays(STEPS)]
    const [low, high] = [Math.min(...ends), Math.max(...ends)]
    return high === low
      ? null
      : { rises: ends[1]! > ends[0]!, at: (position: number) => (plays(position) - low) / (high - low) }
  })
  for (const [a, one] of levels.entries())
    for (const [b, other] of levels.entries()) {
      if (!one || !other || b <= a || one.rises === other.rises) continue
      const sum = Array.from({ length: STEPS + 1 }, (_, position) => one.at(position) + other.at(position))
      const position = sum.reduce(
        (worst, now, n) => (Math.abs(now - 1) > Math.abs(sum[worst]! - 1) ? n : worst),
        0,
      )
      return { targets: [a, b], sum, worst: { position, sum: sum[position]! } }
    }
  return null
}
