/** Note values a control can be kept at, the longest first. */
export const DIVISIONS = [
  'whole',
  'dottedHalf',
  'half',
  'dottedQuarter',
  'halfTriplet',
  'quarter',
  'dottedEighth',
  'quarterTriplet',
  'eighth',
  'dottedSixteenth',
  'eighthTriplet',
  'sixteenth',
  'sixteenthTriplet',
  'thirtySecond',
] as const

/** A length of note. */
export type Division = (typeof DIVISIONS)[number]
