import { shownFor, convertUnit, highestValue, type Control, type Ends } from '#core/rig'
import { fullEnds } from './sweep'

/** What a control does to the sound, as far as its name and unit tell. */
export type TargetKind = 'wah' | 'pitch' | 'mix' | 'level' | 'decay' | 'rate' | 'other'

const WORDS: readonly (readonly [TargetKind, RegExp])[] = [
  ['wah', /\b(?:wah|wow)\b/i],
  ['pitch', /\b(?:pitch|bend|transpose|whammy|interval)\b/i],
  ['decay', /\b(?:repeats?|feedback|regen\w*|decay|hold|infinite|intensity|tail)\b/i],
  ['mix', /\b(?:mix|wet|blend|balance)\b/i],
  ['rate', /\b(?:rate|speed)\b/i],
  ['level', /\b(?:volume|level|gain|drive|boost|output|master|loudness)\b/i],
]

/** What a control is for a foot, by its name, its section and its unit (common practice); `other` where none tells. */
export function targetKind({
  name,
  section,
  reading,
}: Pick<Control, 'name' | 'section' | 'reading'>): TargetKind {
  const said = WORDS.find(([, word]) => word.test(name)) ?? WORDS.find(([, word]) => word.test(section))
  if (said) return said[0]
  const unit = reading.kind === 'range' ? reading.unit : ''
  if (unit !== '' && convertUnit(1, unit, 'semitones') !== null) return 'pitch'
  return unit.toLowerCase() === 'db' ? 'level' : 'other'
}

/** A range to begin with, and why. */
export interface Suggestion {
  readonly kind: TargetKind
  /** Values of the control at heel and toe. */
  readonly ends: Ends
  readonly isFull: boolean
}

/**
 * A range for a control that a pedal leads, by what it is. All common practice: a wah plays from 23 to 74 % and jars beyond;
 * an octave up is the upper half of a pitch range that has unison in the middle; a mix to 35 % stops below swamping; what
 * decays or turns ever faster stays below its end (80 % and 60 %, from memory).
 */
export function suggestedRange(control: Control): Suggestion {
  const kind = targetKind(control)
  const full = fullEnds(control)
  const whole = full.toe - full.heel
  const part = (low: number, high: number): Suggestion => ({
    kind,
    ends: { heel: Math.round(full.heel + low * whole), toe: Math.round(full.heel + high * whole) },
    isFull: low === 0 && high === 1,
  })
  if (control.reading.kind !== 'range') return part(0, 1)
  switch (kind) {
    case 'wah':
      return part(0.23, 0.74)
    case 'pitch':
      return control.reading.low < 0 && control.reading.high > 0
        ? { ...part(0.5, 1), ends: { heel: unison(control, full), toe: full.toe } }
        : part(0, 1)
    case 'mix':
      return part(0, 0.35)
    case 'decay':
      return part(0, 0.8)
    case 'rate':
      return part(0, 0.6)
    default:
      return part(0, 1)
  }
}

/** The value nearest to no shift at all. */
function unison({ reading, address }: Control, { heel, toe }: Ends): number {
  const highest = highestValue(address)
  let best = heel
  for (let value = heel; value <= toe; value++)
    if (
      Math.abs(Number(shownFor(reading, value, highest))) < Math.abs(Number(shownFor(reading, best, highest)))
    )
      best = value
  return best
}

/** What to be careful of when a sweep goes that far: loudness, or sound that does not die away. */
export type SweepCaution = 'loud' | 'endless' | 'runaway'

/** The caution for a control led to these values; null where there is none. Only what comes near the end counts. */
export function sweepCaution(control: Control, { heel, toe }: Ends): SweepCaution | null {
  const full = fullEnds(control)
  const most = (Math.max(heel, toe) - full.heel) / (full.toe - full.heel)
  if (most < 0.9) return null
  const kind = targetKind(control)
  return kind === 'level' ? 'loud' : kind === 'decay' ? 'endless' : kind === 'rate' ? 'runaway' : null
}
