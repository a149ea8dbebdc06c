import { inOrder, type Rig } from './rig'
import { songTempo } from './table/song'

/** A tempo that a song or a sound stores, in beats a minute. */
export interface StoredTempo {
  readonly table: 'songs' | 'sounds'
  readonly id: string
  readonly name: string
  readonly bpm: number
}

/** All of them, songs first; of a song tonight's, where it has one. */
export const storedTempi = (rig: Rig): StoredTempo[] => [
  ...inOrder(rig.songs).flatMap((song): StoredTempo[] => {
    const bpm = songTempo(song)
    return bpm === null ? [] : [{ table: 'songs', id: song.id, name: song.name, bpm }]
  }),
  ...inOrder(rig.sounds).flatMap(({ id, name, tempo }): StoredTempo[] =>
    tempo === null ? [] : [{ table: 'sounds', id, name, bpm: tempo }],
  ),
]
