import { own } from '#core/base'
import { DIVISIONS, type Division } from '#core/rig'

/**
 * Lengths in quarter notes, as two whole numbers: a dotted note is 3/2, a triplet 2/3 of the plain one (midi-facts,
 * "Arithmetic": eighth 1/2, dotted eighth 3/4, quarter triplet 2/3, dotted quarter 3/2; from memory).
 */
const QUARTERS: Readonly<Record<Division, readonly [over: number, under: number]>> = {
  whole: [4, 1],
  dottedHalf: [3, 1],
  half: [2, 1],
  dottedQuarter: [3, 2],
  halfTriplet: [4, 3],
  quarter: [1, 1],
  dottedEighth: [3, 4],
  quarterTriplet: [2, 3],
  eighth: [1, 2],
  dottedSixteenth: [3, 8],
  eighthTriplet: [1, 3],
  sixteenth: [1, 4],
  sixteenthTriplet: [1, 6],
  thirtySecond: [1, 8],
}

/** A quarter note at so many beats a minute, in ms. */
export const quarterMs = (bpm: number): number => 60_000 / bpm

/** How long a note value is at so many beats a minute, in ms. */
export const divisionMs = (bpm: number, division: Division): number => {
  const [over, under] = QUARTERS[division]
  return (60_000 * over) / (bpm * under)
}

/** How often a second something turns that turns once in a note value, in Hz. */
export const divisionHz = (bpm: number, division: Division): number => {
  const [over, under] = QUARTERS[division]
  return (bpm * under) / (60 * over)
}

/** The beats a minute of which a note value is the quarter: what a device shows that counts in that value. */
export const divisionBpm = (bpm: number, division: Division): number => {
  const [over, under] = QUARTERS[division]
  return (bpm * under) / over
}

type Base = 'whole' | 'half' | 'quarter' | 'eighth' | 'sixteenth' | 'thirtySecond'
type Kind = 'plain' | 'dotted' | 'triplet'

/** Words for plain note values, as charts write them. */
const BASES: Readonly<Record<string, Base>> = {
  '1/1': 'whole',
  whole: 'whole',
  '1/2': 'half',
  half: 'half',
  '1/4': 'quarter',
  '4th': 'quarter',
  quarter: 'quarter',
  '1/8': 'eighth',
  '8th': 'eighth',
  eighth: 'eighth',
  '1/16': 'sixteenth',
  '16th': 'sixteenth',
  sixteenth: 'sixteenth',
  '1/32': 'thirtySecond',
  '32nd': 'thirtySecond',
  'thirty-second': 'thirtySecond',
}

/** What may be said of one: "d" and "t" and a point as well right behind a fraction. */
const KINDS: Readonly<Record<string, Kind>> = {
  dotted: 'dotted',
  dot: 'dotted',
  d: 'dotted',
  '.': 'dotted',
  triplet: 'triplet',
  triplets: 'triplet',
  trip: 'triplet',
  t: 'triplet',
  straight: 'plain',
  plain: 'plain',
  normal: 'plain',
}

/** The note values there is a name for; others a chart may have are not known here. */
const VALUES: Readonly<Record<Base, Partial<Record<Kind, Division>>>> = {
  whole: { plain: 'whole' },
  half: { plain: 'half', dotted: 'dottedHalf', triplet: 'halfTriplet' },
  quarter: { plain: 'quarter', dotted: 'dottedQuarter', triplet: 'quarterTriplet' },
  eighth: { plain: 'eighth', dotted: 'dottedEighth', triplet: 'eighthTriplet' },
  sixteenth: { plain: 'sixteenth', dotted: 'dottedSixteenth', triplet: 'sixteenthTriplet' },
  thirtySecond: { plain: 'thirtySecond' },
}

/**
 * The note value a chart means by a name: "Dotted eighth", "1/8 T", "1/4."; null where none is meant, or not for sure. Every
 * word of it counts: "1/4 left", "1/64" and "1/32T" are none that is known here.
 */
export function divisionNamed(name: string): Division | null {
  const words = name
    .trim()
    .toLowerCase()
    .replace(/^(1\/\d+|\d+(?:th|nd))\s*(d|t|\.)(?=\s|$)/, '$1 $2')
    .replace(/thirty[\s-]second/, 'thirty-second')
    .split(/[\s()]+|(?<!thirty)-/)
    .filter((word) => word !== '' && word !== 'note' && word !== 'notes')
  const bases = words.flatMap((word) => own(BASES, word) ?? [])
  const kinds = words.flatMap((word) => own(KINDS, word) ?? [])
  if (bases.length !== 1 || kinds.length > 1 || bases.length + kinds.length !== words.length) return null
  return VALUES[bases[0]!][kinds[0] ?? 'plain'] ?? null
}

/** The note value nearest to a length at a tempo, by their ratio. */
export const nearestDivision = (bpm: number, ms: number): Division =>
  DIVISIONS.reduce((best, one) =>
    Math.abs(Math.log(divisionMs(bpm, one) / ms)) < Math.abs(Math.log(divisionMs(bpm, best) / ms))
      ? one
      : best,
  )
