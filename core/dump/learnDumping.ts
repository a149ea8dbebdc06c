import { type DumpMessage, UNKNOWN_DUMPING, type Checksum, type Dumping } from '#core/rig'
import { hasChecksum } from './checks'
import { messageBytes } from './exclusives'

/** Checksums begin within a header: maker, unit, model, command, address. */
const FROM_MAX = 12
/**
 * Fewer different messages prove nothing: any one of some forty ways fits any one message by chance once in 128. Three fit by
 * chance once in fifty thousand.
 */
const PROOF = 3

/**
 * What whole messages of one device show of its dumps: their length, their number, the byte that counts presets, and a checksum
 * that fits every one of them. What is not shown stays as it was known.
 */
export function learnDumping(messages: readonly DumpMessage[], known: Dumping = UNKNOWN_DUMPING): Dumping {
  const all = messages.map(messageBytes)
  const length = all[0]?.length ?? 0
  const isEven = all.length > 0 && all.every((bytes) => bytes.length === length)
  return {
    ...known,
    bytes: isEven ? length : known.bytes,
    count: all.length > 0 ? all.length : known.count,
    place: (isEven ? placeByte(all) : null) ?? known.place,
    checksum: fittingChecksum(all) ?? known.checksum,
  }
}

/** The one byte, the first from the front, that goes up by one from message to message. */
function placeByte(all: readonly Uint8Array[]): number | null {
  if (all.length < PROOF) return null
  for (let at = 1; at < all[0]!.length - 2; at++)
    if (all.every((bytes, n) => bytes[at] === all[0]![at]! + n)) return at
  return null
}

/** Of those that fit all, the one that covers least: what it does not cover is the same in all of them. */
function fittingChecksum(all: readonly Uint8Array[]): Checksum | null {
  const different = [...new Map(all.map((bytes) => [bytes.join(), bytes])).values()]
  if (different.length < PROOF) return null
  // A last byte that never changes is as likely no checksum at all.
  if (new Set(different.map((bytes) => bytes.at(-2))).size === 1) return null
  for (let from = FROM_MAX; from >= 1; from--)
    for (const kind of ['sum', 'plain', 'xor'] as const) {
      const checksum = { kind, from }
      // Two bytes at least are covered: the last data byte alone would pass for one.
      if (different.every((bytes) => bytes.length > from + 4 && hasChecksum(bytes, checksum))) return checksum
    }
  return null
}
