import { scaleLinear } from 'd3-scale'
import type { Division } from '#core/rig'
import { divisionMs, quarterMs } from '#core/tempo'

/** One row of ticks on the axis of beats. */
export interface BeatRow {
  readonly name: string
  readonly ticks: readonly { readonly x: number; readonly size: 'large' | 'small'; readonly fade: number }[]
}

export interface BeatEcho {
  readonly name: string
  readonly division: Division
  /** What its value makes of it, in ms. */
  readonly reachedMs: number
}

/** So many beats are drawn. */
export const BEATS = 8
/** So many repeats of an echo. */
const REPEATS = 8

/**
 * Beats, clocks, taps and echoes on one axis of time, from one beat on: `x` in px of `width`. Echoes come as late as their
 * values make them, taps where the foot came down against the first of them.
 */
export function beatRows(
  bpm: number,
  taps: readonly number[],
  hasClock: boolean,
  echoes: readonly BeatEcho[],
  width: number,
) {
  const length = quarterMs(bpm) * BEATS
  const x = scaleLinear([0, length], [0, width])
  const until = (step: number, many = Infinity) =>
    Array.from({ length: Math.min(many, Math.floor(length / step + 1e-6) + 1) }, (_, n) => n * step)
  const first = taps[0] ?? 0
  const rows: BeatRow[] = [
    {
      name: 'Beats',
      ticks: until(quarterMs(bpm)).map((ms, n) => ({
        x: x(ms),
        size: n % 4 === 0 ? 'large' : 'small',
        fade: 1,
      })),
    },
    ...(hasClock
      ? [
          {
            name: 'Clock, 24 a beat',
            ticks: until(quarterMs(bpm) / 24).map((ms, n) => ({
              x: x(ms),
              size: n % 24 === 0 ? ('large' as const) : ('small' as const),
              fade: 0.7,
            })),
          },
        ]
      : []),
    ...(taps.length > 0
      ? [
          {
            name: 'Taps',
            ticks: taps
              .map((tap) => (tap - first) / 1000)
              .filter((ms) => ms <= length)
              .map((ms) => ({ x: x(ms), size: 'large' as const, fade: 1 })),
          },
        ]
      : []),
    ...echoes.map(({ name, reachedMs }) => ({
      name,
      ticks: until(reachedMs, REPEATS + 1)
        .slice(1)
        .map((ms, n) => ({ x: x(ms), size: 'large' as const, fade: 0.75 ** n })),
    })),
  ]
  return { rows, x, length }
}

/** A pulse train: each tap as it is closed, over the time it takes, with a beat more. */
export function pulseTrain(
  taps: readonly { readonly closeAt: number; readonly openAt: number }[],
  rightAfter: number,
  width: number,
) {
  const x = scaleLinear([0, (rightAfter * 4) / 3 || 1], [0, width])
  return {
    bars: taps.map(({ closeAt, openAt }) => ({ x: x(closeAt), width: Math.max(2, x(openAt) - x(closeAt)) })),
    right: x(rightAfter),
  }
}

/** Whether an echo's value keeps its note value within what a player hears: 2 % or 5 ms. */
export const isOnBeat = (bpm: number, { division, reachedMs }: BeatEcho): boolean =>
  Math.abs(reachedMs - divisionMs(bpm, division)) <= Math.max(5, 0.02 * divisionMs(bpm, division))
