import { own } from '../base/own'
import { perTables } from './perTables'
import { inOrder, type Rig } from './rig'
import { ABOUT_ID } from './table/about'
import { partSound, type Part } from './table/part'
import type { Show } from './table/show'
import { songTempo, type Song, type SongId } from './table/song'
import type { SoundId } from './table/sound'

/** A part as it is played in a show: where it stands, and with which sound tonight. */
export interface PlayedPart {
  readonly song: Song
  /** Which of the show's songs it belongs to, from 0: a song that comes twice has two. */
  readonly nth: number
  readonly part: Part
  readonly soundId: SoundId | null
  readonly isFirstOfSong: boolean
}

/** The show that is on: the one named, or else the first; null where there is none. */
export const showOn = (rig: Rig): Show | null =>
  own(rig.shows, own(rig.about, ABOUT_ID)?.showId ?? '') ?? inOrder(rig.shows)[0] ?? null

const bySong = perTables(['parts'], (rig): ReadonlyMap<SongId, readonly Part[]> => {
  const all = new Map<SongId, Part[]>()
  for (const part of inOrder(rig.parts)) {
    const own = all.get(part.songId)
    if (own) own.push(part)
    else all.set(part.songId, [part])
  }
  return all
})

/** The parts of a song in their order, those left out tonight too. */
export const partsOf = (rig: Rig, songId: SongId): readonly Part[] => bySong(rig).get(songId) ?? NONE

const NONE: readonly Part[] = []

/** The songs of a show in playing order; what it names and is not there is left out. */
export const songsOf = (rig: Rig, show: Show): Song[] =>
  show.songIds.flatMap((id) => {
    const song = own(rig.songs, id)
    return song ? [song] : []
  })

/** Every part of a show as it is played tonight, in order. */
export const playedParts = (rig: Rig, show: Show): PlayedPart[] =>
  songsOf(rig, show).flatMap((song, nth) =>
    partsOf(rig, song.id)
      .filter(({ tonight }) => !tonight?.isOut)
      .map((part, n): PlayedPart => ({
        song,
        nth,
        part,
        soundId: partSound(part),
        isFirstOfSong: n === 0,
      })),
  )

const MINUTE = 60_000

/** How long a part lasts, in ms; null where that is not known, or its bars have no tempo. */
export function partMs({ lasts }: Pick<Part, 'lasts'>, song: Song): number | null {
  if (lasts === null) return null
  if (lasts.unit === 'seconds') return lasts.amount * 1000
  const bpm = songTempo(song)
  return bpm === null ? null : (lasts.amount * song.beatsPerBar * MINUTE) / bpm
}

/**
 * The rest before a part, in ms; null where that is not known. Of a song's first part the song's own count-in holds
 * where the part says nothing.
 */
export function aheadMs({ ahead }: Pick<Part, 'ahead'>, song: Song, isFirstOfSong: boolean): number | null {
  if (ahead?.unit === 'seconds') return ahead.amount * 1000
  const beats = ahead?.amount ?? (isFirstOfSong ? song.countIn : null)
  const bpm = songTempo(song)
  return beats === null || bpm === null ? null : (beats * MINUTE) / bpm
}
