import type { Brand } from './brand'
import { requireIntegerBetween } from './integer'

/** A MIDI channel as players count it, 1-16. On the wire it is one less; only core/midi knows that. */
export type Channel = Brand<number, 'Channel'>

export const CHANNELS: readonly Channel[] = Array.from({ length: 16 }, (_, n) => (n + 1) as Channel)

/** Throws RangeError outside 1-16. */
export const requireChannel = (value: number): Channel =>
  requireIntegerBetween('A channel', value, 1, 16) as Channel
