import type { AutoOff } from '#core/rig'
import { isMeant, offsOf, restsOf, type Ridden, type Stretch } from './ride'
import { USUAL_NOISE } from './restWatch'

/** What comes of a delay on some rides. */
export interface DelayTried {
  readonly delayMs: number
  /** Times it went off while it was wanted. */
  readonly wrong: number
  /** Stretches in which it was meant to be off and never was. */
  readonly missed: number
  /** How long it was still on in stretches where it was not wanted, in ms over all rides. */
  readonly waiting: number
}

export const DELAY_STEP_MS = 10
/** Delays are looked at up to here, in ms. */
export const DELAYS_TO_MS = 2000

/** What comes of one delay, in ms, on some rides. */
export const tryDelay = (
  off: AutoOff,
  rides: readonly Ridden[],
  delayMs: number,
  noise = USUAL_NOISE,
): DelayTried => tried(delayMs, rested(off, rides, noise))

/** Every delay from 0 to 2 s in steps of 10 ms, tried on some rides. */
export function tryDelays(off: AutoOff, rides: readonly Ridden[], noise = USUAL_NOISE): DelayTried[] {
  const known = rested(off, rides, noise)
  return Array.from({ length: DELAYS_TO_MS / DELAY_STEP_MS + 1 }, (_, n) => tried(n * DELAY_STEP_MS, known))
}

interface Rested {
  readonly ride: Ridden
  readonly rests: readonly Stretch[]
}

const rested = (off: AutoOff, rides: readonly Ridden[], noise: number): Rested[] =>
  rides.map((ride) => ({ ride, rests: restsOf(off, ride, noise) }))

function tried(delayMs: number, known: readonly Rested[]): DelayTried {
  let [wrong, missed, waiting] = [0, 0, 0]
  for (const { ride, rests } of known) {
    const offs = offsOf(rests, delayMs)
    for (const one of offs) if (!isMeant(ride, one)) wrong++
    for (const { from, to } of ride.meant) {
      const inside = offs.filter((one) => one.from < to && one.to > from)
      if (inside.length === 0) missed++
      const off = inside.reduce((sum, one) => sum + Math.min(to, one.to) - Math.max(from, one.from), 0)
      waiting += to - from - off
    }
  }
  return { delayMs, wrong, missed, waiting }
}

/** The delay with the fewest wrong offs; of several the one that misses least, then waits least, then the shortest. Null without rides. */
export function proposedDelay(tried: readonly DelayTried[]): DelayTried | null {
  const better = (a: DelayTried, b: DelayTried) =>
    a.wrong - b.wrong || a.missed - b.missed || a.waiting - b.waiting || a.delayMs - b.delayMs
  return tried.reduce<DelayTried | null>(
    (best, one) => (best === null || better(one, best) < 0 ? one : best),
    null,
  )
}
