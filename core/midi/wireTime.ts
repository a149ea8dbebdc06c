/** Bits a second on a DIN or TRS cable (M1 v4.2.1, "Hardware"). USB is faster; this is the safe figure. */
const BAUD = 31_250

/** One start bit, eight data bits, one stop bit: 320 µs a byte. */
export const MICROSECONDS_PER_BYTE = (10 * 1_000_000) / BAUD

/** How long `byteCount` bytes keep the wire busy, in whole microseconds. */
export const wireTime = (byteCount: number): number => byteCount * MICROSECONDS_PER_BYTE
