import { own } from '#core/base'
import {
  type Edit,
  addRow,
  editRow,
  lastOrder,
  type Rig,
  USUAL_SONG,
  type Song,
  type SongId,
} from '#core/rig'

/** A new song; `tempo` in beats a minute, null for none stored. */
export const addSong = (rig: Rig, id: SongId, name: string, tempo: number | null): Edit =>
  addRow('addSong', 'songs', {
    id,
    order: lastOrder(rig.songs),
    name,
    tempo,
    tonight: null,
    countIn: null,
    notes: '',
    ...USUAL_SONG,
  })

/** Null where nothing would change. */
export const editSong = (rig: Rig, id: SongId, fields: Partial<Song>): Edit | null =>
  editRow(rig, 'changeSong', 'songs', id, fields)

/** The tempo stored with the song; tonight's, which it takes the place of, is dropped. */
export const keepTempo = (rig: Rig, id: SongId, bpm: number): Edit | null =>
  editRow(rig, 'keepTempo', 'songs', id, { tempo: bpm, tonight: null })

/** For tonight only: what is stored stays. `since` is the day, "2026-11-26". */
export const tempoTonight = (rig: Rig, id: SongId, bpm: number, since: string): Edit | null =>
  own(rig.songs, id)?.tempo === bpm
    ? dropTonight(rig, id)
    : editRow(rig, 'tempoTonight', 'songs', id, { tonight: { bpm, since } })

/** Null where nothing is said of tonight. */
export const dropTonight = (rig: Rig, id: SongId): Edit | null =>
  editRow(rig, 'dropTonight', 'songs', id, { tonight: null })
