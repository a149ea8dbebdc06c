import { joinU14, splitU14, type U14, type U7 } from '#core/base'

/** One way a number in a chart can be meant. */
export interface NrpnReading {
  readonly written: 'number' | 'pair'
  readonly msb: U7
  readonly lsb: U7
  readonly parameter: U14
}

const ofParameter = (written: NrpnReading['written'], parameter: U14): NrpnReading => ({
  written,
  parameter,
  ...splitU14(parameter),
})

/** The number as one of 14 bits: 12588 is 98, 44 (98 x 128 + 44). */
const asNumber = (parameter: U14): NrpnReading => ofParameter('number', parameter)

/** The pair as msb, lsb: 125, 88 is 16088. */
const asPair = (msb: U7, lsb: U7): NrpnReading => ofParameter('pair', joinU14(msb, lsb))

/**
 * Every way digits from a chart can be meant; shown side by side and never guessed between. "12588" is one
 * number, or the pair 125, 88 run together; "125 88" and "125/88" are a pair. Empty when it is neither.
 */
export function nrpnReadings(text: string): NrpnReading[] {
  const apart = /^\s*(\d{1,3})\s*[\s,;:/.-]\s*(\d{1,3})\s*$/.exec(text)
  if (apart) return pairs([[apart[1]!, apart[2]!]])
  const digits = text.trim()
  if (!/^\d{1,6}$/.test(digits)) return []
  const number = Number(digits)
  const splits = Array.from({ length: digits.length - 1 }, (_, n): [string, string] => [
    digits.slice(0, n + 1),
    digits.slice(n + 1),
  ])
  return [
    ...(number <= 16_383 ? [asNumber(number as U14)] : []),
    // Run together, the last two or three digits are the lsb.
    ...pairs(splits.filter(([msb, lsb]) => msb.length >= 2 && lsb.length >= 2)),
  ]
}

const pairs = (all: readonly (readonly [string, string])[]): NrpnReading[] =>
  all.flatMap(([msb, lsb]) =>
    Number(msb) <= 127 && Number(lsb) <= 127 ? [asPair(Number(msb) as U7, Number(lsb) as U7)] : [],
  )
