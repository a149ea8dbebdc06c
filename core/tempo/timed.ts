import {
  convertUnit,
  shownFor,
  valueInRange,
  highestValue,
  type Control,
  type ReadingOf,
  type Division,
} from '#core/rig'
import { divisionBpm, divisionHz, divisionMs, divisionNamed } from './divisions'

/** How a control counts time: a length in ms or s, a rate, a tempo of its own, or note values by name. */
export type TimeUnit = 'time' | 'rate' | 'tempo' | 'notes'

/** Above this a frequency is a tone and not a rate that keeps the beat, in Hz. */
const RATE_MOST = 60

/** How a control's chart counts time; null for one that cannot keep a beat. */
export function timeUnit({ reading }: Pick<Control, 'reading'>): TimeUnit | null {
  if (reading.kind === 'named')
    return reading.names.filter(({ name }) => divisionNamed(name) !== null).length >= 2 ? 'notes' : null
  if (reading.kind !== 'range') return null
  if (convertUnit(1, reading.unit, 'ms') !== null) return 'time'
  if (convertUnit(1, reading.unit, 'bpm') !== null) return 'tempo'
  const most = convertUnit(Math.max(reading.low, reading.high), reading.unit, 'hz')
  return most !== null && most <= RATE_MOST ? 'rate' : null
}

/** What a control is to be at a tempo, and what of that it can be. */
export type Kept =
  /** In the control's unit; `reached` is what `value` gives, `lengthMs` how long that is, `errorMs` how much longer than the note value. */
  | {
      readonly kind: 'near'
      readonly wanted: number
      readonly value: number
      readonly reached: number
      readonly lengthMs: number
      readonly errorMs: number
    }
  /** A name for the note value: no tempo changes it. */
  | { readonly kind: 'named'; readonly value: number; readonly name: string }
  /** Beyond its range, in its own unit. */
  | { readonly kind: 'beyond'; readonly wanted: number; readonly low: number; readonly high: number }
  /** It has no such note value. */
  | { readonly kind: 'unnamed' }

/** The value nearest to a note value at a tempo. Null for a control that does not count time. */
export function keptAt(control: Control, bpm: number, division: Division): Kept | null {
  const unit = timeUnit(control)
  const { reading } = control
  if (unit === null) return null
  if (reading.kind === 'named') {
    const found = reading.names.find(({ name }) => divisionNamed(name) === division)
    return found ? { kind: 'named', value: found.value, name: found.name } : { kind: 'unnamed' }
  }
  if (reading.kind !== 'range') return null
  const wanted = wantedIn(reading, unit, bpm, division)
  const [low, high] = [Math.min(reading.low, reading.high), Math.max(reading.low, reading.high)]
  const most = Math.min(reading.to, highestValue(control.address))
  // A range written down beyond what can be sent holds no value at all.
  if (wanted < low || wanted > high || most < reading.from) return { kind: 'beyond', wanted, low, high }
  const lengthOf = (shown: number) => lengthIn(reading, unit, bpm, division, shown)
  const meant = divisionMs(bpm, division)
  const at = (value: number) => {
    const reached = shownFor(reading, value, highestValue(control.address)) as number
    const lengthMs = lengthOf(reached)
    return { value, reached, lengthMs, errorMs: lengthMs - meant }
  }
  // The inverse rounds the step; which of its neighbours is nearest in ms is looked up, since rates turn the scale over.
  const near = valueInRange(reading, wanted)
  const middle = Math.min(most, near.ok ? near.value : reading.from)
  const best = [middle, middle - 1, middle + 1]
    .filter((value) => value >= reading.from && value <= most)
    .map(at)
    .reduce((one, other) => (Math.abs(other.errorMs) < Math.abs(one.errorMs) ? other : one))
  return { kind: 'near', wanted, ...best }
}

function wantedIn(reading: ReadingOf<'range'>, unit: TimeUnit, bpm: number, division: Division): number {
  if (unit === 'time') return convertUnit(divisionMs(bpm, division), 'ms', reading.unit)!
  if (unit === 'rate') return convertUnit(divisionHz(bpm, division), 'hz', reading.unit)!
  return divisionBpm(bpm, division)
}

/** The length in ms that a control's own number stands for; for a tempo that of its note value. */
function lengthIn(
  reading: ReadingOf<'range'>,
  unit: TimeUnit,
  bpm: number,
  division: Division,
  shown: number,
): number {
  if (unit === 'time') return convertUnit(shown, reading.unit, 'ms')!
  if (unit === 'rate') return 1000 / convertUnit(shown, reading.unit, 'hz')!
  return (divisionMs(bpm, division) * divisionBpm(bpm, division)) / shown
}

/** How far a value is from the beat, in ms: longer is more than 0. Null where that cannot be said. */
export function offBeatMs(control: Control, bpm: number, division: Division, value: number): number | null {
  const unit = timeUnit(control)
  const { reading } = control
  if (reading.kind !== 'range' || unit === null || unit === 'notes') return null
  const shown = shownFor(reading, value, highestValue(control.address)) as number
  return lengthIn(reading, unit, bpm, division, shown) - divisionMs(bpm, division)
}

/** What a control seems to be kept at, from its names and note values: for a first proposal. */
export const likelyDivision = (control: Control): Division => {
  const unit = timeUnit(control)
  if (unit === 'rate' || unit === 'tempo') return 'quarter'
  return /right/i.test(`${control.section} ${control.name}`) ? 'dottedEighth' : 'quarter'
}
