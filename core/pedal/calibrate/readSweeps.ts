import type { Calibration } from '#core/rig'
import { STEPS } from '../sweep'

/** What a jack read at a moment, in ms and in steps of 127; it reads the same until the next. */
export interface SweepReading {
  readonly at: number
  readonly value: number
}

/** Why a calibration came out as it did. */
export type CalibrationWhy =
  | 'good'
  /** Nothing moves: no lead, another jack, another role. */
  | 'silent'
  | 'noisy'
  | 'sticky'
  | 'deadSpot'
  | 'swapped'
  | 'short'
  /** Not two sweeps each way; too fast to tell; begun or ended elsewhere than at the heel. */
  | 'fewSweeps'
  | 'tooFast'
  /** A controller that leaves values out: what lies between them cannot be told from a fault. */
  | 'tooSeldom'
  | 'notAtHeel'

/** What sweeps of the whole travel show of a pedal; positions 0 to 127, shares in per cent of the travel. */
export interface CalibrationRead {
  readonly verdict: Calibration['verdict']
  readonly why: CalibrationWhy
  /** The readings at rest at either end, and how much they waver, in steps. */
  readonly heel: number
  readonly toe: number
  readonly noise: number
  /** The readings to take for heel and toe from now on. */
  readonly from: number
  readonly to: number
  /** How much of the bar is never reached at either end, in percent. */
  readonly deadHeel: number
  readonly deadToe: number
  /** Readings between which nothing is read, of a pedal with a dead spot. */
  readonly spot: { readonly from: number; readonly to: number } | null
  /** Ways from one end to the other. */
  readonly passes: number
}

/** Readings are looked at every so many ms. */
const TICK = 10
/** Of more than two minutes the last two count. */
const LONGEST = 120_000
/** Both ends of the bar must be reached (common practice), but for the last 2-5 %. */
const END_WITHIN = Math.floor(STEPS * 0.05)
/** A good pedal wavers by a step at most, 3 and more is worn or unshielded (common practice). */
const NOISY_FROM = 3
/** A foot that takes half a second for the way and more never goes this far in a tick. */
const LEAP = 7
/** The quick middle of a way, in ms: less is no sweep that tells anything. */
const QUICKEST = 300

/**
 * What sweeps of the whole travel say of a pedal: the foot began at the heel, went to the toe and back twice, and rested
 * at each end. `wasShort`: it stopped short the time before. Never throws; too little to tell is to be done again.
 */
export function readSweeps(readings: readonly SweepReading[], wasShort = false): CalibrationRead {
  const values = everyTick(readings)
  const smooth = values.map((_, n) => median(values.slice(Math.max(0, n - 3), n + 4)))
  const [low, high] = [Math.min(...smooth), Math.max(...smooth)]
  const noise = noiseOf(values)
  const first = median(smooth.slice(0, 20))
  const last = median(smooth.slice(-20))
  const way = high - low
  const passes = passesIn(smooth, low + way * 0.15, high - way * 0.15)
  const isSwapped = first > low + way / 2 && last > low + way / 2
  const [heelEnd, toeEnd] = isSwapped ? [high, low] : [low, high]
  const margin = Math.max(1, noise) + 1
  const read = (
    verdict: CalibrationRead['verdict'],
    why: CalibrationWhy,
    spot: CalibrationRead['spot'] = null,
  ): CalibrationRead => ({
    verdict,
    why,
    heel: heelEnd,
    toe: toeEnd,
    noise,
    from: isSwapped ? heelEnd - margin : Math.min(STEPS, heelEnd + margin),
    to: isSwapped ? toeEnd + margin : Math.max(0, toeEnd - margin),
    deadHeel: ((isSwapped ? STEPS - heelEnd : heelEnd) / STEPS) * 100,
    deadToe: ((isSwapped ? toeEnd : STEPS - toeEnd) / STEPS) * 100,
    spot,
    passes: passes.length,
  })
  if (values.length < 100 || way < 20) return read('suspect', 'silent')
  if (noise >= NOISY_FROM) return read('suspect', 'noisy')
  if (quickestGap(readings) > SELDOM) return read('again', 'tooSeldom')
  const leaps = leapsIn(values)
  // Before anything is made of ways: where the reading drops to an end, it goes there and back at once.
  const spot = commonPlace(leaps)
  if (spot) return read('suspect', 'deadSpot', spot)
  if (passes.length < 4) return read('again', 'fewSweeps')
  if (median(passes) < QUICKEST) return read('again', 'tooFast')
  if (leaps.length > 0) return read('suspect', 'sticky')
  if (isSwapped) return read('swap', 'swapped')
  if (first > low + way / 2 || last > low + way / 2) return read('again', 'notAtHeel')
  if (low > END_WITHIN || high < STEPS - END_WITHIN) return read(wasShort ? 'suspect' : 'again', 'short')
  return read('pass', 'good')
}

/** Readings further apart than this while the foot moves, in ms, hide what they should tell. */
const SELDOM = 14

/** How soon one reading follows another where they follow soonest: in one of ten of their changes, in ms. */
function quickestGap(readings: readonly SweepReading[]): number {
  const gaps: number[] = []
  let last = readings[0]
  for (const one of readings)
    if (last && one.value !== last.value) {
      gaps.push(one.at - last.at)
      last = one
    } else last = last && { ...last, at: one.at }
  return gaps.sort((a, b) => a - b)[Math.floor(gaps.length / 10)] ?? 0
}

function everyTick(readings: readonly SweepReading[]): number[] {
  const [first, last] = [readings[0], readings.at(-1)]
  if (!first || !last) return [0]
  const values: number[] = []
  let n = 0
  for (let at = Math.max(first.at, last.at - LONGEST); at <= last.at; at += TICK) {
    while (n + 1 < readings.length && readings[n + 1]!.at <= at) n++
    values.push(readings[n]!.value)
  }
  return values
}

/** The middle one, of an even number the lower of two. */
function median(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b)
  return sorted[(sorted.length - 1) >> 1] ?? 0
}

/** How far readings stray from the middle of a fifth of a second, where they stray least: there the foot rests. */
function noiseOf(values: readonly number[]): number {
  const strays: number[] = []
  for (let n = 0; n + 20 <= values.length; n += 10) {
    const some = values.slice(n, n + 20)
    const middle = median(some)
    strays.push(Math.max(...some.map((value) => Math.abs(value - middle))))
  }
  strays.sort((a, b) => a - b)
  return strays[Math.floor(strays.length / 6)] ?? 0
}

/** How long each way from one end to the other took, in ms. */
function passesIn(smooth: readonly number[], nearLow: number, nearHigh: number): number[] {
  const passes: number[] = []
  let zone: 'low' | 'high' | null = null
  let left = 0
  smooth.forEach((value, n) => {
    const here = value <= nearLow ? 'low' : value >= nearHigh ? 'high' : null
    if (here === null) return
    if (zone !== null && here !== zone) passes.push((n - left) * TICK)
    zone = here
    left = n
  })
  return passes
}

interface Leap {
  readonly from: number
  readonly to: number
}

/** Where readings go further in a tick than a foot does, low end first. */
function leapsIn(values: readonly number[]): Leap[] {
  const leaps: Leap[] = []
  for (let n = 1; n < values.length; n++) {
    const [a, b] = [values[n - 1]!, values[n]!]
    if (Math.abs(b - a) >= LEAP) leaps.push({ from: Math.min(a, b), to: Math.max(a, b) })
  }
  return leaps
}

/**
 * The place all leaps have in common, as the readings about it: a worn track is worn where it is, a sticky one sticks
 * anywhere. Null when there is none, or too few leaps to tell. A track that drops to an end of the bar leaps there and back.
 */
function commonPlace(leaps: readonly Leap[]): { from: number; to: number } | null {
  if (leaps.length < 3) return null
  const ends = (side: 'from' | 'to') => leaps.map((leap) => leap[side])
  const [from, to] = [Math.max(...ends('from')), Math.min(...ends('to'))]
  if (to - from < 2) return null
  if (from <= 2 && to > LEAP) return { from: to, to: Math.max(...ends('to')) }
  if (to >= STEPS - 2 && from < STEPS - LEAP) return { from: Math.min(...ends('from')), to: from }
  return { from, to }
}
