import { own } from '#core/base'
import { type Rig, type BankId, songTempo, type SongId } from '#core/rig'
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

/** What is stored now in the place a tempo was taken from; null where nothing is, or that cannot be looked up. */
function storedNow(rig: Rig, from: TempoFrom): number | null {
  if (from.kind === 'song') {
    const song = own(rig.songs, from.songId)
    return song ? songTempo(song) : null
  }
  return from.kind === 'sound' ? (own(rig.sounds, from.soundId)?.tempo ?? null) : null
}

/**
 * What the tempo is after the rig was edited: a stored one follows what is stored, one tapped that has been stored since is
 * the stored one, and a bank that has been given a song is in it. The same fields where nothing changed.
 */
export function tempoAfterEdit(rig: Rig, known: Known): Partial<Known> {
  const songId = known.songId !== null && own(rig.songs, known.songId) ? known.songId : null
  // Where the list of the show went on to another song, the bank has no say until it is come to again.
  const isOfList = songId !== null && known.showAt?.songId === songId
  const came: Partial<Known> = isOfList ? {} : (songOf(rig, known.bankId, songId) as Partial<Known>)
  if (came.songId !== undefined) return came
  const { stored } = known
  const bpm = stored && storedNow(rig, stored.from)
  if (!stored || bpm === null || bpm === stored.bpm) return { songId }
  const now = { bpm, from: stored.from }
  const isStored = known.tempoFrom === stored.from || known.tempo === bpm
  return { songId, stored: now, ...(isStored && { tempo: bpm, tempoFrom: stored.from }) }
}

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
