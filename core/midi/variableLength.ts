import { requireIntegerBetween } from '../base/integer'

/** The largest number a MIDI file's variable-length field can hold, 2^28 - 1. */
export const VARIABLE_LENGTH_MAX = 0x0fffffff

/**
 * Seven bits a byte, most significant first, bit 7 set on all but the last (RP-001, "Variable Length
 * Quantity"). Throws RangeError outside 0 to 2^28 - 1.
 */
export function encodeVariableLength(value: number): number[] {
  requireIntegerBetween('A variable-length number', value, 0, VARIABLE_LENGTH_MAX)
  const bytes = [value & 0x7f]
  for (let rest = value >> 7; rest > 0; rest >>= 7) bytes.unshift((rest & 0x7f) | 0x80)
  return bytes
}

/** Reads one number at `at`; null when the bytes end inside it or it runs past four bytes. */
export function decodeVariableLength(
  bytes: ArrayLike<number>,
  at: number,
): { value: number; length: number } | null {
  let value = 0
  for (let length = 1; length <= 4; length++) {
    const byte = bytes[at + length - 1]
    if (byte === undefined) return null
    value = (value << 7) | (byte & 0x7f)
    if (byte < 0x80) return { value, length }
  }
  return null
}
