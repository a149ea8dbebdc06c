import { own } from '#core/base'

/** One way to write a unit: what it measures, and how much of that one of it is. */
interface Unit {
  readonly of: string
  readonly size: number
}

const unit = (of: string, size: number, ...ways: readonly string[]): [string, Unit][] =>
  ways.map((way) => [way, { of, size }])

/** Units of charts and displays, in small letters, as English, German, French and Spanish manuals write them. */
const UNITS: Readonly<Record<string, Unit>> = Object.fromEntries([
  ...unit('time', 1, 'ms', 'msec', 'msecs', 'millisecond', 'milliseconds'),
  ...unit('time', 1000, 's', 'sec', 'secs', 'second', 'seconds', 'sek', 'sekunden', 'secondes', 'segundos'),
  ...unit('frequency', 1, 'hz', 'hertz'),
  ...unit('frequency', 1000, 'khz', 'kilohertz'),
  ...unit('pitch', 100, 'semitones', 'semitone', 'st', 'semi', 'semis', 'halbtöne', 'demi-tons', 'semitonos'),
  ...unit('pitch', 1, 'cents', 'cent', 'ct'),
  ...unit('pitch', 1200, 'octaves', 'octave', 'oct'),
  ...unit('share', 1, '%', 'percent', 'pct', 'prozent'),
  ...unit('angle', 1, '°', 'deg', 'degree', 'degrees', 'grad'),
  ...unit('level', 1, 'db', 'decibel', 'decibels'),
  ...unit('tempo', 1, 'bpm'),
])

const find = (text: string): Unit | undefined => own(UNITS, text.trim().toLowerCase())

/** Whether a text is a unit that is known here. */
export const isKnownUnit = (text: string): boolean => find(text) !== undefined

/** Whether a text may be a unit at all: letters, %, a degree sign, or a ratio of those; one word. */
export const canBeUnit = (text: string): boolean => /^(?:%|°|[°\p{L}µΩ]+(?:\/\p{L}+)?)$/u.test(text)

/**
 * A number in one unit as a number in another: 500 ms are 0.5 s. Null where they do not measure the same, or
 * one of them is not known.
 */
export function convertUnit(number: number, from: string, to: string): number | null {
  if (from.trim().toLowerCase() === to.trim().toLowerCase()) return number
  const [one, other] = [find(from), find(to)]
  return one && other && one.of === other.of ? (number * one.size) / other.size : null
}

/** The finer of two units that measure the same, and null for two that do not. */
export function finerUnit(a: string, b: string): string | null {
  if (a.toLowerCase() === b.toLowerCase()) return a
  const [one, other] = [find(a), find(b)]
  if (!one || !other || one.of !== other.of) return null
  return one.size <= other.size ? a : b
}

/** Ways to write a minus, to stand between the brackets of a pattern: a dash and the sign of mathematics are two. */
export const MINUS = '\\-\u2212\u2013'

/**
 * A number without its sign: "35", ".5", "0,5", "1.2", "1,234.5". With one comma or point before three digits it can
 * be a thousand or a fraction: then both, the thousand first, to be asked. Null for anything else.
 */
export function plainNumber(text: string): number | readonly [number, number] | null {
  if (/^[1-9]\d{0,2}[.,]\d{3}$/.test(text))
    return [Number(text.replace(/[.,]/, '')), Number(text.replace(',', '.'))]
  if (/^(?:\d+|\d*\.\d+)$/.test(text)) return Number(text)
  if (/^\d*,\d+$/.test(text)) return Number(text.replace(',', '.'))
  if (/^[1-9]\d{0,2}(?:(?:,\d{3})+\.\d+|(?:,\d{3}){2,})$/.test(text)) return Number(text.replaceAll(',', ''))
  if (/^[1-9]\d{0,2}(?:(?:\.\d{3})+,\d+|(?:\.\d{3}){2,})$/.test(text))
    return Number(text.replaceAll('.', '').replace(',', '.'))
  return null
}
