import { DIVISIONS, type Division } from '../rig/table/division'

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

/** Words for note values, as charts name them: the first that fits. */
const WORDS: readonly (readonly [RegExp, Division])[] = [
  [/32|thirty/, 'thirtySecond'],
  [/(?:16|sixteenth).*(?:trip|t\b)|(?:trip).*(?:16|sixteenth)/, 'sixteenthTriplet'],
  [/(?:dot).*(?:16|sixteenth)|(?:16|sixteenth).*(?:dot|\.$)|1\/16d/, 'dottedSixteenth'],
  [/16|sixteenth/, 'sixteenth'],
  [/(?:8|eighth).*(?:trip|t\b)|(?:trip).*(?:8|eighth)/, 'eighthTriplet'],
  [/(?:dot).*(?:8|eighth)|(?:8|eighth).*(?:dot|\.$)|1\/8d/, 'dottedEighth'],
  [/8|eighth/, 'eighth'],
  [/(?:4|quarter).*(?:trip|t\b)|(?:trip).*(?:4|quarter)/, 'quarterTriplet'],
  [/(?:dot).*(?:4|quarter)|(?:4|quarter).*(?:dot|\.$)|1\/4d/, 'dottedQuarter'],
  [/4|quarter/, 'quarter'],
  [/(?:2|half).*(?:trip|t\b)|(?:trip).*(?:2|half)/, 'halfTriplet'],
  [/(?:dot).*(?:2|half)|(?:2|half).*(?:dot|\.$)|1\/2d/, 'dottedHalf'],
  [/1\/2|half/, 'half'],
  [/whole|1\/1/, 'whole'],
]

/** The note value a chart means by a name: "Dotted eighth", "1/8 T", "1/4."; null where none is meant, or not for sure. */
export function divisionNamed(name: string): Division | null {
  const text = name.trim().toLowerCase()
  // "8 ms" and "Hall 2" are no note values.
  if (!/^(?:1\/\d+\s*[dt.]?|.*(?:note|whole|half|quarter|eighth|sixteenth|thirty).*|.*1\/\d+.*)$/.test(text))
    return null
  return WORDS.find(([words]) => words.test(text))?.[1] ?? null
}

/** The note value nearest to a length at a tempo, by their ratio. */
export const nearestDivision = (bpm: number, ms: number): Division =>
  DIVISIONS.reduce((best, one) =>
    Math.abs(Math.log(divisionMs(bpm, one) / ms)) < Math.abs(Math.log(divisionMs(bpm, best) / ms))
      ? one
      : best,
  )
