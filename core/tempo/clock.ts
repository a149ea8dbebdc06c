import { MICROSECONDS_PER_BYTE } from '#core/midi'

/** Clocks a quarter note (M1 v4.2.1, "Timing Clock"; from memory). */
export const CLOCKS_A_QUARTER = 24

/** From one clock to the next, in µs: 2500 / bpm ms. */
export const clockInterval = (bpm: number): number => 60_000_000 / (bpm * CLOCKS_A_QUARTER)

/** The share of a serial wire that clock takes, 0 to 1: one byte of 320 µs each. */
export const clockShare = (bpm: number): number => MICROSECONDS_PER_BYTE / clockInterval(bpm)

export interface ClockSeen {
  readonly clocks: number
  /** Beats a minute by the mean interval; null of fewer than two. */
  readonly bpm: number | null
  /** The latest against the first and the mean interval, in µs; and the longest interval less the shortest. */
  readonly latest: number
  readonly jitter: number
}

/** What a wire carried of a clock: `ends` are the moments each was whole, in µs; `interval` is what was meant. */
export function clockSeen(ends: readonly number[], interval: number): ClockSeen {
  if (ends.length < 2) return { clocks: ends.length, bpm: null, latest: 0, jitter: 0 }
  const between = ends.slice(1).map((end, n) => end - ends[n]!)
  const mean = (ends.at(-1)! - ends[0]!) / between.length
  // The earliest of all is taken as on time.
  const late = ends.map((end, n) => end - n * interval)
  return {
    clocks: ends.length,
    bpm: 60_000_000 / (mean * CLOCKS_A_QUARTER),
    latest: Math.max(...late) - Math.min(...late),
    jitter: Math.max(...between) - Math.min(...between),
  }
}
