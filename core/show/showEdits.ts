import { own } from '#core/base'
import {
  change,
  type Change,
  type Edit,
  addRow,
  editRow,
  putSwitch,
  switchAt,
  removeRow,
  joinEdits,
  byIndex,
  inOrder,
  lastOrder,
  rigName,
  type Rig,
  partsOf,
  showOn,
  switchesHere,
  ABOUT_ID,
  type BankId,
  switchCount,
  type Part,
  type PartId,
  USUAL_SHOW,
  type Show,
  type ShowId,
  songTempo,
  USUAL_SONG,
  type Song,
  type SongId,
  type SoundId,
  type SwitchId,
  soundOf,
} from '#core/rig'
import { addSong } from '#core/tempo'
import type { ReadShow } from './readShow'

/** Names rows that are made; asked once for each. */
export interface ShowIds {
  readonly song: () => SongId
  readonly part: () => PartId
  readonly show: () => ShowId
}

const BLANK_PART = {
  name: '',
  soundId: null,
  lasts: null,
  ahead: null,
  tonight: null,
} satisfies Partial<Part>

/** One more part, last in its song. */
export const addPart = (rig: Rig, id: PartId, songId: SongId, soundId: SoundId | null): Edit =>
  addRow('addPart', 'parts', {
    ...BLANK_PART,
    id,
    songId,
    soundId,
    order: (partsOf(rig, songId).at(-1)?.order ?? 0) + 1,
  })

/** Null where nothing would change. */
export const editPart = (rig: Rig, id: PartId, fields: Partial<Part>): Edit | null =>
  editRow(rig, 'changePart', 'parts', id, fields)

/** A part by so many places up (-1) or down (1) among those of its song. Null where it would stay. */
export function movePart(rig: Rig, id: PartId, by: number): Edit | null {
  const part = own(rig.parts, id)
  if (!part) return null
  const all = partsOf(rig, part.songId)
  const from = all.indexOf(part)
  const to = Math.min(all.length - 1, Math.max(0, from + by))
  if (to === from) return null
  const changes = all
    .toSpliced(from, 1)
    .toSpliced(to, 0, part)
    .flatMap((one, n): Change[] =>
      one.order === n + 1 ? [] : [change('parts', one.id, one, { ...one, order: n + 1 })],
    )
  return { label: 'movePart', changes }
}

/** Only for tonight; `null` drops what was said. `since` is the day, "2026-11-26". */
export function partTonight(
  rig: Rig,
  id: PartId,
  fields: { readonly isOut?: boolean; readonly soundId?: SoundId | null } | null,
  since: string,
): Edit | null {
  const part = own(rig.parts, id)
  if (!part) return null
  const next = fields && { isOut: false, soundId: null, ...part.tonight, ...fields, since }
  const isNothing = next === null || (!next.isOut && (next.soundId === null || next.soundId === part.soundId))
  return editRow(rig, 'partTonight', 'parts', id, { tonight: isNothing ? null : next })
}

/** All that differs tonight is dropped: of songs and of parts. Null when nothing does. */
export function dropShowTonight(rig: Rig): Edit | null {
  const changes = [
    ...inOrder(rig.songs).flatMap((one): Change[] =>
      one.tonight === null ? [] : [change('songs', one.id, one, { ...one, tonight: null })],
    ),
    ...inOrder(rig.parts).flatMap((one): Change[] =>
      one.tonight === null ? [] : [change('parts', one.id, one, { ...one, tonight: null })],
    ),
  ]
  return changes.length === 0 ? null : { label: 'dropShowTonight', changes }
}

/** A show of its own, last; `songIds` in playing order. */
export const addShow = (rig: Rig, id: ShowId, name: string, songIds: readonly SongId[] = []): Edit =>
  addRow('addShow', 'shows', { ...USUAL_SHOW, id, order: lastOrder(rig.shows), name, songIds: [...songIds] })

/** Null where nothing would change. */
export const editShow = (rig: Rig, id: ShowId, fields: Partial<Show>): Edit | null =>
  editRow(rig, 'changeShow', 'shows', id, fields)

/** Null where there is no such set list. */
export const removeShow = (rig: Rig, id: ShowId): Edit | null => removeRow(rig, 'removeShow', 'shows', id)

/** The show that is on from now on. */
export const turnOnShow = (rig: Rig, id: ShowId): Edit | null =>
  own(rig.shows, id) ? editRow(rig, 'changeShow', 'about', ABOUT_ID, { showId: id }) : null

/** A song at the end of the show that is on, which is made where there is none. `name` makes it a new song. */
export function addToShow(
  rig: Rig,
  ids: { readonly songId: SongId; readonly showId: ShowId },
  name: string | null,
): Edit | null {
  const { songId } = ids
  const show = showOn(rig)
  const put = (one: Rig) =>
    show
      ? editRow(one, 'changeShow', 'shows', show.id, { songIds: [...show.songIds, songId] })
      : addShow(one, ids.showId, rigName(one), [songId])
  return name === null
    ? put(rig)
    : joinEdits(rig, 'addSong', [(one) => addSong(one, songId, name, null), put])
}

/** A new show of the songs of the one that is on, turned on. */
export const newShow = (rig: Rig, id: ShowId, name: string): Edit | null =>
  joinEdits(rig, 'addShow', [
    (one) => addShow(one, id, name, showOn(rig)?.songIds ?? []),
    (one) => turnOnShow(one, id),
  ])

/** The song at one place of a show to another. Null where it would stay. */
export function moveSong(rig: Rig, id: ShowId, from: number, to: number): Edit | null {
  const songIds = own(rig.shows, id)?.songIds ?? []
  const song = songIds[from]
  const there = Math.min(songIds.length - 1, Math.max(0, to))
  if (song === undefined || there === from) return null
  return editRow(rig, 'moveSong', 'shows', id, {
    songIds: songIds.toSpliced(from, 1).toSpliced(there, 0, song),
  })
}

/** What was read from text, made: songs that are new, parts of songs without any, all at the end of the show that is on. */
export function pasteShow(rig: Rig, { songs }: ReadShow, ids: ShowIds, showName: string): Edit | null {
  if (songs.length === 0) return null
  const changes: Change[] = []
  const names = new Map(inOrder(rig.songs).map(({ id, name }) => [name.trim().toLowerCase(), id]))
  let order = lastOrder(rig.songs)
  const songIds = songs.map((read): SongId => {
    const key = read.name.trim().toLowerCase()
    const there = names.get(key)
    const id = there ?? ids.song()
    names.set(key, id)
    const song: Song = {
      ...USUAL_SONG,
      id,
      order,
      name: read.name,
      tempo: read.tempo,
      tonight: null,
      countIn: read.countIn,
      notes: '',
      key: read.key,
      ...(read.beatsPerBar !== null && { beatsPerBar: read.beatsPerBar }),
    }
    if (there === undefined) {
      changes.push(change('songs', id, null, song))
      order++
    } else if (own(rig.songs, id)) {
      const before = own(rig.songs, id)!
      const after: Song = {
        ...before,
        ...(read.tempo !== null && { tempo: read.tempo }),
        ...(read.key !== '' && { key: read.key }),
        ...(read.beatsPerBar !== null && { beatsPerBar: read.beatsPerBar }),
        ...(read.countIn !== null && { countIn: read.countIn }),
      }
      if (JSON.stringify(after) !== JSON.stringify(before) && !changes.some((one) => one.id === id))
        changes.push(change('songs', id, before, after))
    }
    const hasParts =
      partsOf(rig, id).length > 0 || changes.some((one) => one.table === 'parts' && one.after?.songId === id)
    if (!hasParts)
      read.parts.forEach(({ name, soundId, lasts, ahead }, n) => {
        const part: Part = {
          ...BLANK_PART,
          id: ids.part(),
          songId: id,
          order: n + 1,
          name,
          soundId,
          lasts,
          ahead,
        }
        changes.push(change('parts', part.id, null, part))
      })
    return id
  })
  const show = showOn(rig)
  if (show && show.songIds.length + songIds.length > 300) return null
  if (show) changes.push(change('shows', show.id, show, { ...show, songIds: [...show.songIds, ...songIds] }))
  else {
    const id = ids.show()
    changes.push(
      change('shows', id, null, {
        ...USUAL_SHOW,
        id,
        order: 1,
        name: showName,
        songIds: songIds.slice(0, 300),
      }),
    )
  }
  return { label: 'pasteShow', changes }
}

/** The own footswitches of a bank's base layer with nothing on them. */
export function freeNumbersOf(rig: Rig, bankId: BankId): number[] {
  const controller = own(rig.controllers, own(rig.banks, bankId)?.controllerId ?? '')
  if (!controller) return []
  const here = switchesHere(rig, bankId, 'base')
  const numbers = Array.from({ length: switchCount(controller) - controller.keepsSwitches }, (_, n) => n + 1)
  return numbers.filter((number) => !here.has(`/${number}`))
}

/** A sound put on a free switch of a bank. Null where there is none left. */
export function placeSound(rig: Rig, bankId: BankId, soundId: SoundId, newId: SwitchId): Edit | null {
  const [number] = freeNumbersOf(rig, bankId)
  if (number === undefined) return null
  const blank = switchAt(rig, { bankId, number, newId })
  return {
    label: 'placeSound',
    changes: [putSwitch(rig, { ...blank, positions: [[{ kind: 'recallSound', soundId }]] })],
  }
}

/** A bank filled from a song, and given to it: what is in its way stays, and what finds no room is told. One of another song stays as it is. */
export function fillFromSong(
  rig: Rig,
  bankId: BankId,
  songId: SongId,
  newId: () => SwitchId,
): { readonly edit: Edit | null; readonly left: readonly SoundId[] } {
  const bank = own(rig.banks, bankId)
  const song = own(rig.songs, songId)
  if (!bank || !song || (bank.songId !== null && bank.songId !== songId)) return { edit: null, left: [] }
  const there = new Set(
    [...switchesHere(rig, bankId, 'base').values()].flatMap(({ positions }) =>
      positions.flat().flatMap((action) => soundOf(action) ?? []),
    ),
  )
  const wanted = [...new Set(partsOf(rig, songId).flatMap(({ soundId }) => soundId ?? []))].filter(
    (id) => !there.has(id),
  )
  const changes: Change[] = []
  if (bank.songId !== songId) changes.push(change('banks', bankId, bank, { ...bank, songId }))
  const free = freeNumbersOf(rig, bankId)
  wanted.slice(0, free.length).forEach((soundId, n) => {
    const blank = switchAt(rig, { bankId, number: free[n]!, newId: newId() })
    changes.push(putSwitch(rig, { ...blank, positions: [[{ kind: 'recallSound', soundId }]] }))
  })
  return {
    edit: changes.length === 0 ? null : { label: 'fillBank', changes },
    left: wanted.slice(free.length),
  }
}

/** The controller's banks in playing order: those of songs change places among themselves, the others stay. Null when they are. */
export function banksInOrder(rig: Rig, show: Show): Edit | null {
  const rank = new Map(show.songIds.map((id, n) => [id, n] as const).reverse())
  const banks = byIndex(rig.banks)
  const changes = Object.keys(rig.controllers).flatMap((controllerId) => {
    const ours = banks.filter(
      (one) => one.controllerId === controllerId && one.songId !== null && rank.has(one.songId),
    )
    const sorted = [...ours].sort((a, b) => rank.get(a.songId!)! - rank.get(b.songId!)! || a.index - b.index)
    return sorted.flatMap((one, n): Change[] => {
      const { index } = ours[n]!
      return index === one.index ? [] : [change('banks', one.id, one, { ...one, index })]
    })
  })
  return changes.length === 0 ? null : { label: 'banksInOrder', changes }
}

/** Songs, parts and tempi that differ tonight. */
export const differsTonight = (rig: Rig): number =>
  Object.values(rig.parts).filter(({ tonight }) => tonight !== null).length +
  Object.values(rig.songs).filter((song) => songTempo(song) !== song.tempo).length
