import { own } from '#core/base'
import { perTables } from './perTables'
import { inOrder, type Rig } from './rig'
import { ABOUT_ID } from './table/about'
import { partSound, type Part, type PartId } from './table/part'
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
export function playedParts(rig: Rig, show: Show): readonly PlayedPart[] {
  const shows = played(rig)
  let parts = shows.get(show.songIds)
  if (!parts) shows.set(show.songIds, (parts = partsInOrder(rig, show)))
  return parts
}

const played = perTables(['songs', 'parts'], () => new WeakMap<readonly SongId[], readonly PlayedPart[]>())

const partsInOrder = (rig: Rig, show: Show): PlayedPart[] =>
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

/** A place in the show that is on. */
export interface ShowPlace {
  /** Which of its songs, from 0. */
  readonly nth: number
  readonly songId: SongId
  readonly partId: PartId
}

/** The place of a part in a show. */
export const showPlace = ({ nth, song, part }: PlayedPart): ShowPlace => ({
  nth,
  songId: song.id,
  partId: part.id,
})

/** A step from a place in a show; `song` to the first part of one. */
export type ShowMove = 'nextPart' | 'previousPart' | 'nextSong' | 'previousSong' | 'song'

/**
 * The part a step leads to in the show that is on; null where there is none: the ends are ends. From `null`, before the
 * first part, everything onward leads to the beginning. Songs of which nothing is played are passed over; of a song that
 * comes twice the next time is meant.
 */
export function showTarget(
  rig: Rig,
  at: ShowPlace | null,
  move: ShowMove,
  songId: SongId | null = null,
): PlayedPart | null {
  const show = showOn(rig)
  const all = show ? playedParts(rig, show) : []
  const now = indexInShow(rig, all, at)
  const nth = at === null ? -1 : at.nth
  switch (move) {
    case 'nextPart':
      return all[now + 1] ?? null
    case 'previousPart':
      // Where the part that was played is out by now, the one before its place.
      return now < 0 ? null : (all[isAt(all[now]!, at) ? now - 1 : now] ?? null)
    case 'nextSong':
      return all.find((one) => one.nth > nth) ?? null
    case 'previousSong': {
      const before = all.findLast((one) => one.nth < nth)
      return before ? (all.find((one) => one.nth === before.nth) ?? null) : null
    }
    default: {
      const firsts = all.filter((one) => one.song.id === songId && one.isFirstOfSong)
      return firsts.find((one) => one.nth >= nth) ?? firsts[0] ?? null
    }
  }
}

/** A place after the show was edited: with its song where that went, nearest first; null where it is gone. */
export function placeKept(rig: Rig, at: ShowPlace | null): ShowPlace | null {
  const show = at && showOn(rig)
  if (!show) return null
  const places = songsOf(rig, show).flatMap(({ id }, nth) => (id === at.songId ? [nth] : []))
  const [nth] = places.sort((a, b) => Math.abs(a - at.nth) - Math.abs(b - at.nth))
  return nth === undefined ? null : nth === at.nth ? at : { ...at, nth }
}

/** Names a part of a show among all of them: of a song that comes twice each time has its own. */
export const partKey = ({ nth, part }: Pick<PlayedPart, 'nth' | 'part'>): string => `${nth}/${part.id}`

/** Whether a part is where a show stands. */
export const isAt = ({ nth, part }: PlayedPart, at: ShowPlace | null): boolean =>
  nth === at?.nth && part.id === at.partId

/** The last part that is played up to a place, from 0; -1 before the first. */
function indexInShow(rig: Rig, all: readonly PlayedPart[], at: ShowPlace | null): number {
  if (at === null) return -1
  const here = all.findIndex((one) => isAt(one, at))
  if (here >= 0) return here
  const order = own(rig.parts, at.partId)?.order ?? -Infinity
  return all.findLastIndex(
    ({ nth, part }) => nth < at.nth || (nth === at.nth && part.songId === at.songId && part.order <= order),
  )
}

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
