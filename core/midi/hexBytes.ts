import { accept, refuse, type Result } from '#core/base'
import type { MidiMessage } from './message'
import { parseMessages, type Garbage } from './parse'

/** Why typed bytes are no messages; `at` is the byte, from 0. */
export type HexRefusal =
  | { readonly code: 'noHex'; readonly text: string }
  | { readonly code: 'noMessage' }
  | { readonly code: 'garbage'; readonly reason: Garbage['reason']; readonly at: number }

/**
 * Bytes as typed, "B3 14 7F", "b3147f", "0xB3, 0x14, 0x7F", and the whole messages they are. Refused where anything is
 * left over: half a message, data without a status, a status the standard does not define (M1 v4.2.1, table I).
 */
export function readBytes(
  typed: string,
): Result<{ readonly bytes: Uint8Array; readonly messages: readonly MidiMessage[] }, HexRefusal> {
  const words = typed.split(/[\s,;]+/).filter((word) => word !== '')
  const bytes: number[] = []
  for (const word of words) {
    const digits = word.replace(/^0x/i, '').replace(/h$/i, '')
    // One digit is a byte of its own; more must be whole pairs, or it is not said where a byte ends.
    if (!/^(?:[0-9a-f]|(?:[0-9a-f]{2})+)$/i.test(digits)) return refuse({ code: 'noHex', text: word })
    for (const pair of digits.match(/../g) ?? [digits]) bytes.push(Number.parseInt(pair, 16))
  }
  const { messages, garbage } = parseMessages(bytes)
  const [first] = garbage
  if (first) return refuse({ code: 'garbage', ...first })
  if (messages.length === 0) return refuse({ code: 'noMessage' })
  return accept({ bytes: Uint8Array.from(bytes), messages })
}

/** "B3 14 7F". */
export const hexOf = (bytes: Iterable<number>): string =>
  Array.from(bytes, (byte) => byte.toString(16).toUpperCase().padStart(2, '0')).join(' ')

/** The inverse of {@link hexOf}, of text that is known to be hex. */
export const bytesOfHex = (hex: string): Uint8Array =>
  Uint8Array.from(hex.split(' '), (byte) => Number.parseInt(byte, 16))

/** The one message that bytes are; null where they are none or several. */
export function messageOfHex(hex: string): MidiMessage | null {
  const read = readBytes(hex)
  return read.ok && read.value.messages.length === 1 ? read.value.messages[0]! : null
}
