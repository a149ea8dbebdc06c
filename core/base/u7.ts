import type { Brand } from './brand'
import { requireIntegerBetween } from './integer'

/** A seven-bit data value, 0-127: program, controller number, value, note, velocity. */
export type U7 = Brand<number, 'U7'>

/** The highest number a data byte holds (M1 v4.2.1). */
export const U7_MAX = 127

/** Throws RangeError outside 0-127. */
export const requireU7 = (value: number): U7 => requireIntegerBetween('A data value', value, 0, U7_MAX) as U7
