import { requireIntegerBetween } from '#core/base'

/** The largest number a MIDI file's variable-length field can hold, 2^28 - 1. */
export const VARIABLE_LENGTH_MAX = 0x0fffffff

/**
 * Appends a number to `bytes`: seven bits a byte, most significant first, bit 7 set on all but the last
 * (RP-001, "Variable Length Quantity"). Throws RangeError outside 0 to 2^28 - 1.
 */
export function appendVariableLength(bytes: number[], value: number): void {
  requireIntegerBetween('A variable-length number', value, 0, VARIABLE_LENGTH_MAX)
  if (value >= 1 << 21) bytes.push((value >> 21) | 0x80)
  if (value >= 1 << 14) bytes.push(((value >> 14) & 0x7f) | 0x80)
  if (value >= 1 << 7) bytes.push(((value >> 7) & 0x7f) | 0x80)
  bytes.push(value & 0x7f)
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
