import type { Brand } from './brand'
import { requireIntegerBetween } from './integer'

/** A MIDI channel as players count it, 1-16. On the wire it is one less; only core/midi knows that. */
export type Channel = Brand<number, 'Channel'>

/** 1 to 16, as players count them (M1 v4.2.1). */
export const CHANNELS: readonly Channel[] = Array.from({ length: 16 }, (_, n) => (n + 1) as Channel)

/** Throws RangeError outside 1-16. */
export const requireChannel = (value: number): Channel =>
  requireIntegerBetween('A channel', value, 1, 16) as Channel
