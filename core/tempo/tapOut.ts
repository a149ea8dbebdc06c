import { accept, refuse, type Result } from '#core/base'
import type { TapIn } from '#core/rig'

/** Taps for a device, in µs from the first. */
export interface TapsOut {
  readonly taps: readonly { readonly closeAt: number; readonly openAt: number }[]
  /** When the last of them has come and the tempo is right: three intervals for four taps (common practice). */
  readonly rightAfter: number
}

/** Why a device cannot be told a tempo by taps. */
export type TapOutRefusal =
  /** Its contact needs longer than a beat is, in ms. */
  | { readonly code: 'tooFast'; readonly beatMs: number; readonly needsMs: number }
  /** It has forgotten a tap before the next comes. */
  | { readonly code: 'forgets'; readonly beatMs: number; readonly afterMs: number }
  | { readonly code: 'beyond'; readonly low: number; readonly high: number }

/** The taps that tell a device a tempo: closed as short as it hears, so that the gaps are as long as can be. */
export function tapsOut(tapIn: TapIn, bpm: number): Result<TapsOut, TapOutRefusal> {
  const { taps: many, closedMs, openMs, forgetsMs, low, high } = tapIn
  const beatMs = 60_000 / bpm
  if (bpm < low || bpm > high) return refuse({ code: 'beyond', low, high })
  if (closedMs + openMs > beatMs) return refuse({ code: 'tooFast', beatMs, needsMs: closedMs + openMs })
  if (beatMs > forgetsMs) return refuse({ code: 'forgets', beatMs, afterMs: forgetsMs })
  const at = (n: number) => Math.round((n * 60_000_000) / bpm)
  const taps = Array.from({ length: many }, (_, n) => ({ closeAt: at(n), openAt: at(n) + closedMs * 1000 }))
  return accept({ taps, rightAfter: at(many - 1) })
}
