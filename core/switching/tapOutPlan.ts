import { byIndex, type Rig, type Bank, type Device, songTempo, type Song } from '#core/rig'
import { tapsOut, type TapOutRefusal } from '#core/tempo'
import { expanded, tapsOutTo, waitOf } from './action'

/** Whether a device that takes taps is in time for a song. `late` and `inTime` say when it is right, in ms from the step. */
export type TapOutVerdict =
  | { readonly kind: 'cannot'; readonly why: TapOutRefusal }
  /** No bank of the song taps it out on coming there. */
  | { readonly kind: 'notTold'; readonly rightMs: number }
  /** Nobody said when the first note comes. */
  | { readonly kind: 'unknown'; readonly rightMs: number }
  | { readonly kind: 'inTime'; readonly rightMs: number }
  | { readonly kind: 'late'; readonly rightMs: number; readonly beats: number }

/** The banks a song is played in, in their order. */
export const banksOfSong = (rig: Rig, { id }: Pick<Song, 'id'>): Bank[] =>
  byIndex(rig.banks).filter(({ songId }) => songId === id)

/** How long coming to a bank waits before it taps out to a device, in ms; null where it does not. */
function waitsBefore(rig: Rig, { enter }: Bank, deviceId: string): number | null {
  let ms = 0
  for (const { action } of expanded(rig, enter)) {
    if (tapsOutTo(action) === deviceId) return ms
    ms += waitOf(action) ?? 0
  }
  return null
}

/**
 * Whether the taps for a song are done before its first note: what the list waits for before them counts, and of several
 * banks the slowest. `beats` is how many the last tap needs, rounded up. Null for a song or a device without a tempo to tell.
 */
export function tapOutVerdict(rig: Rig, song: Song, { id, tapIn }: Device): TapOutVerdict | null {
  const bpm = songTempo(song)
  if (bpm === null || tapIn === null) return null
  const out = tapsOut(tapIn, bpm)
  if (!out.ok) return { kind: 'cannot', why: out.refusal }
  const waits = banksOfSong(rig, song).flatMap((bank) => waitsBefore(rig, bank, id) ?? [])
  const rightMs = Math.max(0, ...waits) + out.value.rightAfter / 1000
  if (waits.length === 0) return { kind: 'notTold', rightMs }
  if (song.countIn === null) return { kind: 'unknown', rightMs }
  // To a tenth of a ms: taps are laid on whole µs.
  const beats = Math.ceil((rightMs * bpm) / 60_000 - 1e-3)
  return beats <= song.countIn ? { kind: 'inTime', rightMs } : { kind: 'late', rightMs, beats }
}
