import type { DumpMessage, Checksum, Dumping } from '#core/rig'
import { messageBytes } from './exclusives'

/** What can be looked at in a dump. */
export type DumpCheck = {
  /** Messages that are wrong, from 1. */
  readonly messages: readonly number[]
} & (
  | { readonly check: 'repeats' | 'checksum'; readonly state: CheckState }
  /** `expected` is what is known of this device, null where nothing is. */
  | { readonly check: 'length' | 'count'; readonly state: CheckState; readonly expected: number | null }
  /** Presets that are missing between the first and the last, or are there twice. */
  | {
      readonly check: 'places'
      readonly state: CheckState
      readonly missing: readonly number[]
      readonly twice: readonly number[]
    }
)

/** `unknown` where nobody can tell: that is never called right. */
export type CheckState = 'right' | 'wrong' | 'unknown'

/** The checksum of a message's bytes, F0 and F7 with them: what should stand before F7. */
export function checksumOf(bytes: Uint8Array, { kind, from }: Checksum): number {
  const covered = bytes.subarray(from, -2)
  if (kind === 'xor') return covered.reduce((all, byte) => all ^ byte, 0) & 0x7f
  const sum = covered.reduce((all, byte) => all + byte, 0)
  return (kind === 'sum' ? -sum : sum) & 0x7f
}

/** Whether a message ends in its checksum. One too short to hold any does not. */
export const hasChecksum = (bytes: Uint8Array, checksum: Checksum): boolean =>
  bytes.length > checksum.from + 2 && bytes.at(-2) === checksumOf(bytes, checksum)

/** Every check of whole messages against what is known of a device's dumps. */
export function checkDump(messages: readonly DumpMessage[], dumping: Dumping): DumpCheck[] {
  const all = messages.map(messageBytes)
  const numbered = (isWrong: (bytes: Uint8Array, n: number) => boolean) =>
    all.flatMap((bytes, n) => (isWrong(bytes, n) ? n + 1 : []))
  const judged = (wrong: readonly number[], isKnown: boolean): CheckState =>
    !isKnown ? 'unknown' : wrong.length > 0 ? 'wrong' : 'right'

  const repeats = messages.flatMap(({ hex }, n) => (n > 0 && messages[n - 1]!.hex === hex ? n + 1 : []))
  const { bytes: length, checksum, count, place } = dumping
  const lengths = length === null ? [] : numbered((bytes) => bytes.length !== length)
  const sums = checksum === null ? [] : numbered((bytes) => !hasChecksum(bytes, checksum))
  return [
    { check: 'repeats', state: judged(repeats, true), messages: repeats },
    { check: 'length', state: judged(lengths, length !== null), messages: lengths, expected: length },
    { check: 'checksum', state: judged(sums, checksum !== null), messages: sums },
    {
      check: 'count',
      state: count === null ? 'unknown' : count === messages.length ? 'right' : 'wrong',
      messages: [],
      expected: count,
    },
    placesCheck(all, place),
  ]
}

function placesCheck(all: readonly Uint8Array[], place: number | null): DumpCheck {
  if (place === null) return { check: 'places', state: 'unknown', messages: [], missing: [], twice: [] }
  const places = all.map((bytes) => (place < bytes.length - 1 ? bytes[place]! : -1))
  const seen = new Set(places.filter((one) => one >= 0))
  const [low, high] = [Math.min(...seen), Math.max(...seen)]
  const between = seen.size === 0 ? [] : Array.from({ length: high - low + 1 }, (_, n) => low + n)
  const missing = between.filter((one) => !seen.has(one))
  const again = places.flatMap((one, n) => (places.indexOf(one) < n || one < 0 ? n + 1 : []))
  return {
    check: 'places',
    state: missing.length > 0 || again.length > 0 ? 'wrong' : 'right',
    messages: again,
    missing,
    twice: [...new Set(again.map((n) => places[n - 1]!))].filter((one) => one >= 0),
  }
}

/** What refuses a dump. */
export const wrongChecks = (messages: readonly DumpMessage[], dumping: Dumping): DumpCheck[] =>
  checkDump(messages, dumping).filter(({ state }) => state === 'wrong')

/** The messages without those that only repeat the one before. */
export const withoutRepeats = (messages: readonly DumpMessage[]): DumpMessage[] =>
  messages.filter(({ hex }, n) => n === 0 || messages[n - 1]!.hex !== hex)
