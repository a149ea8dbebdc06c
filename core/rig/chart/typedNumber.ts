import { accept, refuse, type Result } from '#core/base'
import { convertUnit, isKnownUnit, MINUS, plainNumber } from './units'

const TYPED = new RegExp(`^([+${MINUS}]?)\\s*(\\d[\\d.,]*|[.,]\\d+)\\s*(.*)$`)

/**
 * Every number a text can mean, in `unit`: "35", "35 %", "+ 7 st", "\u22123.5 dB", ".5", "35,5", "500 ms" where the unit
 * is s, "1.2k" in Hz. The unit may be left out or cut short. Two where it can be a thousand or a fraction ("1.200"),
 * the thousand first; none for anything else.
 */
export function numbersMeant(typed: string, unit: string): readonly number[] {
  const [, sign = '', digits, rest = ''] = TYPED.exec(typed.trim().toLowerCase()) ?? []
  const number = digits === undefined ? null : plainNumber(digits)
  const from = number === null ? null : unitOf(rest.trim(), unit)
  if (number === null || from === null) return []
  const turned = (one: number) => {
    const signed = sign === '' || sign === '+' ? one : -one
    return convertUnit(signed, from, unit) ?? signed
  }
  return typeof number === 'number' ? [turned(number)] : number.map(turned)
}

/** The unit a typed one stands for: itself where it can be turned into `unit`, else `unit`; null when it is another. */
function unitOf(typed: string, unit: string): string | null {
  if (typed === '') return unit
  const full = typed === 'k' && convertUnit(1, 'khz', unit) !== null ? 'khz' : typed
  if (convertUnit(1, full, unit) !== null) return full
  return !(isKnownUnit(full) && isKnownUnit(unit)) && unit.toLowerCase().startsWith(full) ? unit : null
}

/** What a number field takes: `min` to `max`, both taken, with so many digits behind the point. */
export interface NumberLimits {
  readonly min: number
  readonly max: number
  readonly decimals: number
  readonly unit: string
}

/** Why a typed number was not taken. */
export type NumberRefusal =
  | { readonly code: 'noNumber' }
  | { readonly code: 'outside' }
  | { readonly code: 'tooFine' }
  | { readonly code: 'twoMeanings'; readonly meant: readonly number[] }

/** Reads a typed number within limits, both decimal signs alike. Nothing is rounded or brought into the limits in silence. */
export function readNumber(typed: string, limits: NumberLimits): Result<number, NumberRefusal> {
  const { min, max, decimals, unit } = limits
  const meant = numbersMeant(typed, unit)
  const inside = meant.filter((number) => number >= min && number <= max)
  const fine = inside
    .map((number) => roundTo(number, decimals))
    .filter((number, n) => isNear(number, inside[n]!))
  if (fine.length === 1) return accept(fine[0]!)
  if (meant.length === 0) return refuse({ code: 'noNumber' })
  if (fine.length > 1) return refuse({ code: 'twoMeanings', meant: fine })
  return refuse({ code: inside.length === 0 ? 'outside' : 'tooFine' })
}

const roundTo = (number: number, decimals: number) => Number(number.toFixed(decimals))
/** The same but for what turning a unit does to the last digit of a double. */
const isNear = (a: number, b: number) => Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(b))
