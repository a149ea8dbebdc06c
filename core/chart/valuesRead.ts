import { cutText } from '#core/base'
import type { Reading } from '#core/rig'

/** What was assumed of a cell about values, to be told beside the line. */
export type ValuesDoubt =
  /** It says nothing that is understood: all values are taken, and the cell is kept as a note. */
  | 'unclearValues'
  /** "0-10": taken as what is sent; it may as well be what the display shows. */
  | 'rawOrShown'
  /** A wide range is seldom linear; the chart does not say. */
  | 'scale'

/** A cell about values as it is read; `left` is what else it says. */
export interface ReadValues {
  readonly reading: Reading
  readonly left: string
  readonly doubt: ValuesDoubt | null
}

export const rawRange = (from: number, to: number, left: string, doubt: ValuesDoubt | null): ReadValues => ({
  reading: { kind: 'range', unit: '', low: from, high: to, scale: 'linear', from, to },
  left,
  doubt,
})

/** A device that spans more than this is seldom linear. */
const WIDE = 50
/** The schema's bounds of what a device may show. */
const SHOWN_MOST = 1e6

export function shownRange(
  low: number,
  high: number,
  unit: string,
  scale: 'linear' | 'logarithmic',
  from: number,
  to: number,
  left: string,
  isSaid = scale === 'logarithmic',
): ReadValues | null {
  if (Math.max(Math.abs(low), Math.abs(high)) > SHOWN_MOST) return null
  const ratio = Math.max(low, high) / Math.min(low, high)
  return {
    reading: { kind: 'range', unit: cutText(unit, 20), low, high, scale, from, to },
    left,
    doubt: !isSaid && unit !== '' && low > 0 && high > 0 && ratio >= WIDE ? 'scale' : null,
  }
}
