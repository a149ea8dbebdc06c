import { assertNever, requireIntegerBetween, accept, refuse, type Result, fixedText } from '#core/base'
import type { Reading, ReadingOf } from '../table/control'
import { numbersMeant } from './typedNumber'

/** A value sent, as the device shows it: a number in its unit, or a word. */
export type Shown = number | string

/** M1 v4.2.1, table III, note on switches: 0-63 is off, 64-127 on. From memory. */
const SWITCH_AT = 64

/**
 * What a device makes of `value`, 0 to `highest`. Total over that range; throws RangeError outside.
 * {@link valueFor} is the inverse as far as values differ in what they do.
 */
export function shownFor(reading: Reading, value: number, highest: number): Shown {
  requireIntegerBetween('A control value', value, 0, highest)
  switch (reading.kind) {
    case 'switch':
      return value >= halfOf(highest) ? 'on' : 'off'
    case 'range':
      return inRange(reading, value)
    case 'named':
      return (reading.names.toSorted(byValue).findLast((one) => one.value <= value) ?? lowest(reading)).name
    case 'trigger':
      return 'go'
    case 'toggle':
      return 'change over'
    case 'increment':
      return value === reading.up ? 'up' : value === reading.down ? 'down' : 'nothing'
    default:
      return assertNever(reading)
  }
}

const byValue = (a: { value: number }, b: { value: number }) => a.value - b.value
const lowest = ({ names }: ReadingOf<'named'>) => names.toSorted(byValue)[0]!
const halfOf = (highest: number) => ((highest + 1) * SWITCH_AT) / 128

/** Outside `from` to `to` the device holds at its ends. */
function inRange({ low, high, scale, from, to }: ReadingOf<'range'>, value: number): number {
  const share = Math.min(1, Math.max(0, (value - from) / (to - from)))
  // Exact at the ends, where rounding would step outside.
  if (share === 0 || share === 1) return share === 0 ? low : high
  return scale === 'linear' ? low + share * (high - low) : low * (high / low) ** share
}

/** Why a typed value is none of the control's; `from` and `to` say what would be. */
export type ShownRefusal =
  | { readonly code: 'unreadable'; readonly text: string; readonly allowed: string }
  | {
      readonly code: 'outside'
      readonly text: string
      readonly low: number
      readonly high: number
      readonly unit: string
    }

/** The value to send for a number in the device's unit: the nearest there is. Refused outside the range. */
export function valueInRange(reading: ReadingOf<'range'>, shown: number): Result<number, ShownRefusal> {
  const { low, high, scale, from, to, unit } = reading
  const [least, most] = [Math.min(low, high), Math.max(low, high)]
  if (!(shown >= least && shown <= most))
    return refuse({ code: 'outside', text: String(shown), low: least, high: most, unit })
  const share =
    scale === 'linear' ? (shown - low) / (high - low) : Math.log(shown / low) / Math.log(high / low)
  return accept(from + Math.round(share * (to - from)))
}

/** The value for what a player types: "35", "35 %", "on", "Scene 2". Refused with what may be typed instead. */
export function valueFor(reading: Reading, text: string, highest: number): Result<number, ShownRefusal> {
  const typed = text.trim().toLowerCase()
  const unreadable = (allowed: string) => refuse({ code: 'unreadable', text: text.trim(), allowed } as const)
  switch (reading.kind) {
    case 'switch':
      if (typed === 'on') return accept(highest)
      return typed === 'off' ? accept(0) : unreadable('on or off')
    case 'range': {
      const meant = numbersMeant(typed, reading.unit)
      const inside = meant.map((number) => valueInRange(reading, number)).filter(({ ok }) => ok)
      if (inside.length === 1) return inside[0]!
      if (meant.length === 1) return valueInRange(reading, meant[0]!)
      return unreadable(
        meant.length === 0
          ? `a number${reading.unit && ` in ${reading.unit}`}`
          : `${meant[0]} or ${meant[1]}, without a comma or point`,
      )
    }
    case 'named': {
      const found = namesLike(reading, typed)
      return found.length === 1
        ? accept(found[0]!.value)
        : unreadable(reading.names.map(({ name }) => name).join(', '))
    }
    case 'trigger':
    case 'toggle':
      return typed === '' || typed === shownFor(reading, reading.value, highest)
        ? accept(reading.value)
        : unreadable(String(shownFor(reading, reading.value, highest)))
    case 'increment':
      return typed === 'up'
        ? accept(reading.up)
        : typed === 'down'
          ? accept(reading.down)
          : unreadable('up or down')
    default:
      return assertNever(reading)
  }
}

function namesLike({ names }: ReadingOf<'named'>, typed: string) {
  const exact = names.filter(({ name }) => name.toLowerCase() === typed)
  return exact.length > 0
    ? exact
    : names.filter(({ name }) => typed !== '' && name.toLowerCase().includes(typed))
}

/** The smallest change a step of one makes at `value`, in the reading's unit; null where steps have no size. */
export function stepAt(reading: Reading, value: number, highest: number): number | null {
  if (reading.kind !== 'range') return null
  const here = Math.min(Math.max(value, reading.from), reading.to - 1)
  return Math.abs(inRange(reading, Math.min(here + 1, highest)) - inRange(reading, here))
}

/** A value as it reads on the device, with its unit: "35 %", "off", "Scene 2". */
export function shownText(reading: Reading, value: number, highest: number): string {
  const shown = shownFor(reading, value, highest)
  if (typeof shown === 'string' || reading.kind !== 'range') return String(shown)
  const step = stepAt(reading, value, highest)!
  // As many digits as tell one step from the next.
  const digits = Math.min(4, Math.max(0, Math.ceil(-Math.log10(step) - 1e-9)))
  const text = fixedText(shown, digits)
  return reading.unit === '' ? text : `${text} ${reading.unit}`
}
