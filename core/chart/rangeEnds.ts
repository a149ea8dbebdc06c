import { canBeUnit, convertUnit, finerUnit, isKnownUnit, MINUS, plainNumber } from '#core/rig'

export interface Ends {
  readonly low: number
  readonly high: number
  /** As written in the cell; empty when it says none. */
  readonly unit: string
  /** Whole numbers without a sign, a point or a unit: they may be what is sent. */
  readonly isBare: boolean
  /** What stood where a unit may stand, and is none. */
  readonly word: string
}

/** Words behind a range that are no unit. */
const NO_UNIT = /^(?:log|logarithmic|lin|linear|exp|exponential|only|default|see|and|or)$/i

export function endsOf(a: string, ua = '', b: string, ub = '', isLast = true): Ends | null {
  const [low, high] = [endOf(a), endOf(b)]
  if (low === null || high === null) return null
  // A word behind is a unit where nothing more follows it, or where it is known as one.
  const second = isKnownUnit(ub) || (isLast && canBeUnit(ub) && !NO_UNIT.test(ub)) ? ub : ''
  const word = second === '' ? ub : ''
  const isBare =
    ua === '' && /^(?:\d+|0x[0-9a-f]+|\$[0-9a-f]+|[0-9a-f]{1,2}h)$/i.test(a) && !/[.,+−–-]/.test(b)
  if (ua === '' || second === '') {
    const unit = ua || second
    return ua !== '' && second === '' ? null : { low, high, unit, isBare: isBare && !isKnownUnit(unit), word }
  }
  const unit = finerUnit(ua, second)
  if (unit === null) return null
  const [from, to] = [convertUnit(low, ua, unit), convertUnit(high, second, unit)]
  return from === null || to === null ? null : { low: from, high: to, unit, isBare: false, word }
}

function endOf(text: string): number | null {
  if (/^0x/i.test(text)) return Number.parseInt(text, 16)
  if (text.startsWith('$')) return Number.parseInt(text.slice(1), 16)
  if (/^[0-9a-f]{1,2}h$/i.test(text)) return Number.parseInt(text, 16)
  const isLow = new RegExp(`^[${MINUS}]`).test(text)
  const digits = text.replace(new RegExp(`^[+${MINUS}]`), '')
  const number = /e/i.test(digits) ? Number(digits) : plainNumber(digits)
  return typeof number === 'number' ? (isLow && number !== 0 ? -number : number) : null
}

export const isWhole = ({ low, high, isBare }: Ends, highest: number): boolean =>
  isBare && Number.isInteger(low) && Number.isInteger(high) && low < high && high <= highest
