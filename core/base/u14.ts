import type { Brand } from './brand'
import { requireIntegerBetween } from './integer'
import { requireU7, type U7 } from './u7'

/** A fourteen-bit value, 0-16,383, carried as two seven-bit halves. */
export type U14 = Brand<number, 'U14'>

/** The highest number two data bytes hold, 127 * 128 + 127. */
export const U14_MAX = 16383

/** Throws RangeError outside 0-16,383. */
export const requireU14 = (value: number): U14 =>
  requireIntegerBetween('A 14-bit value', value, 0, U14_MAX) as U14

/** Splits a value into its most and least significant seven bits; {@link joinU14} is the inverse. */
export const splitU14 = (value: U14): { msb: U7; lsb: U7 } => ({
  msb: (value >> 7) as U7,
  lsb: (value & 0x7f) as U7,
})

/** One number of two data bytes, the upper one first. Throws for a byte over 127. */
export const joinU14 = (msb: U7, lsb: U7): U14 => ((requireU7(msb) << 7) | requireU7(lsb)) as U14
