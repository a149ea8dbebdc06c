import { assertNever } from '#core/base'
import type { Setter } from '#core/rig'
import { LETTERS } from './rows'
import { digitsOf, type Domain, type Press } from './setting'

/** What was typed into a field, and where its cursor stands. */
export interface Entry {
  readonly typed: string
  readonly digits: readonly number[] | null
  readonly cursor: number
}

export const NO_ENTRY: Entry = { typed: '', digits: null, cursor: 0 }

/** What came of a press for one value; null where the key is none of its setter's. */
export function turned(
  set: Setter,
  domain: Domain,
  value: number,
  entry: Entry,
  press: Press,
  prefix: string,
): { value: number; entry: Entry } | null {
  const { size, first } = domain
  switch (set.how) {
    case 'steps': {
      const sign = press.key === set.up ? 1 : press.key === set.down ? -1 : 0
      if (sign === 0) return null
      // One key for both ways goes up.
      if (press.runs !== undefined) {
        if (!set.fast || (press.holdMs ?? 0) < set.fast.afterMs) return null
        let to = value
        for (let n = 0; n < press.runs && to + sign * set.fast.by >= 0 && to + sign * set.fast.by < size; n++)
          to += sign * set.fast.by
        return { value: to, entry: NO_ENTRY }
      }
      const to = value + sign
      if (to >= 0 && to < size) return { value: to, entry: NO_ENTRY }
      return { value: set.wraps ? (to + size) % size : value, entry: NO_ENTRY }
    }
    case 'digits': {
      const digit = /^d(\d)$/.exec(press.key)?.[1]
      if (digit !== undefined) {
        const typed = `${entry.typed}${digit}`.slice(-6)
        const meant = Number(typed) - first
        const isIn = meant >= 0 && meant < size
        return { value: set.enter === null && isIn ? meant : value, entry: { ...entry, typed } }
      }
      if (set.enter === null || press.key !== set.enter || entry.typed === '') return null
      const meant = Number(entry.typed) - first
      return { value: meant >= 0 && meant < size ? meant : value, entry: NO_ENTRY }
    }
    case 'places': {
      const all = entry.digits ?? digitsOf(value, domain)
      const keys = set.keys.slice(-all.length)
      const at = keys.indexOf(press.key)
      if (at < 0) return null
      return digitsAfter(domain, value, entry, all, all.length - keys.length + at, 1)
    }
    case 'cursor': {
      const all = entry.digits ?? digitsOf(value, domain)
      const moves = press.key === set.right ? 1 : press.key === set.left ? -1 : 0
      if (moves !== 0)
        return {
          value,
          entry: { ...entry, cursor: Math.max(0, Math.min(all.length - 1, entry.cursor + moves)) },
        }
      const turns = press.key === set.up ? 1 : press.key === set.down ? -1 : 0
      return turns === 0 ? null : digitsAfter(domain, value, entry, all, entry.cursor, turns)
    }
    case 'pick': {
      if (press.key !== 'pick' || !press.at?.startsWith(prefix)) return null
      const to = Number(press.at.slice(prefix.length))
      return to >= 0 && to < size ? { value: to, entry: NO_ENTRY } : null
    }
    case 'type': {
      if (press.key !== 'type') return null
      const to = LETTERS.indexOf(press.at ?? '')
      return to < 0 ? null : { value: to, entry: NO_ENTRY }
    }
    case 'itself':
      return null
    default:
      return assertNever(set)
  }
}

/** A digit turned, 9 to 0: while the number is none there is, the value stays what it was. */
function digitsAfter(
  { size, first }: Domain,
  value: number,
  entry: Entry,
  all: readonly number[],
  at: number,
  by: number,
): { value: number; entry: Entry } {
  const digits = all.map((digit, n) => (n === at ? (digit + by + 10) % 10 : digit))
  const meant = Number(digits.join('')) - first
  return { value: meant >= 0 && meant < size ? meant : value, entry: { ...entry, digits } }
}
