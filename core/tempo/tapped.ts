import { BPM_LEAST, BPM_MOST } from '#core/rig'

/** So many taps are looked at: the last ones. */
export const TAPS_KEPT = 9
/** Beats that differ by less than this share of one are even. */
const EVEN = 0.04
/**
 * So uneven at most are the rest, against all, where one is thrown away: of few beats some are even by chance, and then
 * none is to go.
 */
const farLess = (rest: number): number => 0.05 + 0.05 * rest
/** Two intervals that are so like each other, and so unlike those before, are another tempo. */
const LIKE = 0.06
const UNLIKE = 0.1

export interface Tapped {
  /** Beats a minute to a tenth, 20 to 400. */
  readonly bpm: number
  /** So far off it may be, in beats a minute: 19 times in 20 it is not further. Null of two taps, where nothing can be said. */
  readonly plusMinus: number | null
  /** Taps that count, the one thrown away not among them. */
  readonly taps: number
  /** The tap that was thrown away, from 0 of those given; null where all count. */
  readonly thrown: number | null
}

/**
 * The tempo of taps in µs, the last one last: 60 000 / mean interval (midi-facts, "Arithmetic"). An interval of about twice
 * the usual one is a beat that was missed. Of five taps and more the one without which the rest are far less uneven
 * is thrown away, or the break between two even rows. Two new intervals alike, and unlike all before, begin another tempo.
 * Null of fewer than two.
 */
export function readTaps(taps: readonly number[]): Tapped | null {
  const from = Math.max(0, taps.length - TAPS_KEPT, newTempoFrom(taps))
  const used = taps.slice(from)
  if (used.length < 2) return null
  const { beats, thrown } = evenest(used)
  const total = beats.reduce((sum, { length }) => sum + length, 0)
  const count = beats.reduce((sum, one) => sum + one.beats, 0)
  const mean = total / count
  const bpm = Math.min(BPM_MOST, Math.max(BPM_LEAST, Math.round((600_000_000 * count) / total) / 10))
  const spread = Math.sqrt(
    beats.reduce((sum, one) => sum + (one.length / one.beats - mean) ** 2, 0) / Math.max(1, beats.length - 1),
  )
  return {
    bpm,
    plusMinus: beats.length < 2 ? null : (within(beats.length) * bpm * spread) / mean / count,
    taps: used.length - (thrown === null ? 0 : 1),
    thrown: thrown === null ? null : from + thrown,
  }
}

/**
 * Student's t for 95 % by how many intervals there are, 2 to 8: with few, their spread says little of how they would spread
 * (tables of the t distribution, 1 to 7 degrees of freedom; from memory).
 */
const T95 = [12.71, 4.3, 3.18, 2.78, 2.57, 2.45, 2.36]
const within = (intervals: number): number => T95[Math.min(intervals, 8) - 2]!

/** From one tap to the next: how long, in µs, and how many beats that is. */
interface Beats {
  readonly length: number
  readonly beats: number
}

/** Where taps of another tempo begin; 0 where they are all of one. */
function newTempoFrom(taps: readonly number[]): number {
  if (taps.length < 5) return 0
  const all = intervals(taps)
  const [last, before] = [all.at(-1)!, all.at(-2)!]
  const usual = median(all.slice(0, -2))
  const isAlike = Math.abs(last - before) <= LIKE * Math.max(last, before)
  const isOther = [last, before].every((one) => Math.abs(one - usual) > UNLIKE * usual)
  return isAlike && isOther ? taps.length - 3 : 0
}

function evenest(taps: readonly number[]): { beats: readonly Beats[]; thrown: number | null } {
  const all = counted(intervals(taps))
  const uneven = unevenness(all)
  let best: { beats: readonly Beats[]; thrown: number | null } = { beats: all, thrown: null }
  if (taps.length < 5 || uneven <= EVEN) return best
  let least = uneven * farLess(taps.length - 2)
  const consider = (beats: readonly Beats[], thrown: number): void => {
    const now = unevenness(beats)
    if (now > least || (now === least && best.thrown !== null)) return
    least = now
    best = { beats, thrown }
  }
  for (let n = 0; n < taps.length; n++) consider(counted(intervals(taps.filter((_, at) => at !== n))), n)
  // The foot came late and stayed late: the one long beat says nothing of the tempo.
  for (let n = 1; n < all.length - 1; n++)
    consider(
      all.filter((_, at) => at !== n),
      n + 1,
    )
  return best
}

const intervals = (taps: readonly number[]): number[] => taps.slice(1).map((tap, n) => tap - taps[n]!)

/** The middle one; of an even number the lower. */
const median = (all: readonly number[]): number => all.toSorted((a, b) => a - b)[(all.length - 1) >> 1]!

function counted(lengths: readonly number[]): Beats[] {
  const usual = median(lengths)
  return lengths.map((length) => ({ length, beats: Math.max(1, Math.round(length / usual)) }))
}

/** The longest beat less the shortest, as a share of the mean one. */
function unevenness(all: readonly Beats[]): number {
  const each = all.map(({ length, beats }) => length / beats)
  const mean = each.reduce((sum, one) => sum + one, 0) / each.length
  return (Math.max(...each) - Math.min(...each)) / mean
}
