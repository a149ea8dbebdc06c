import { own } from '../base/own'
import type { Rig } from '../rig/rig'
import type { BankId } from '../rig/table/bank'
import { songTempo, type SongId } from '../rig/table/song'
import { FIRST_TEMPO, type Known, type Learned, type TempoFrom } from './known'

/** The one tempo there is. */
export interface TempoNow {
  /** Beats a minute. */
  readonly bpm: number
  /** Null while the controller was told none and goes by its first. */
  readonly from: TempoFrom | { readonly kind: 'clock' } | null
  /** What it would be without what overrides it: the foot, or a clock that comes in. Null where nothing does. */
  readonly over: { readonly bpm: number; readonly from: TempoFrom } | null
}

type TempoKnown = Pick<Known, 'tempo' | 'tempoFrom' | 'stored' | 'clockIn'>

/** Which tempo holds: a clock that comes in before all else, else what was said last. */
export function tempoNow({ tempo, tempoFrom, stored, clockIn }: TempoKnown): TempoNow {
  if (clockIn !== null)
    return {
      bpm: clockIn,
      from: { kind: 'clock' },
      over: tempo !== null && tempoFrom !== null ? { bpm: tempo, from: tempoFrom } : null,
    }
  if (tempo === null) return { bpm: FIRST_TEMPO, from: null, over: null }
  return { bpm: tempo, from: tempoFrom, over: tempoFrom !== stored?.from ? stored : null }
}

/** A stored tempo is taken up: taps before it are over. */
export const storedTempo = (bpm: number, from: TempoFrom): Learned => ({
  tempo: bpm,
  tempoFrom: from,
  stored: { bpm, from },
  taps: [],
})

/**
 * What coming to a bank makes known of its song. A tempo tapped in a song holds in all its banks, and in those that are for
 * any song; another song's takes its place.
 */
export function songOf(rig: Rig, bankId: BankId | null, before: SongId | null): Learned {
  const song = own(rig.songs, own(rig.banks, bankId ?? '')?.songId ?? '')
  if (!song || song.id === before) return {}
  const bpm = songTempo(song)
  return { songId: song.id, ...(bpm !== null && storedTempo(bpm, { kind: 'song', songId: song.id })) }
}
