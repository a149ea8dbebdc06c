import { perTables } from './perTables'
import { byIndex, type Rig, type TableName } from './rig'
import { playedParts, showOn } from './showOrder'
import { songTempo } from './table/song'

/** Stands for something of a rig: the same object for as long as that is the same, whatever else its tables say. */
function shape(tables: readonly TableName[], of: (rig: Rig) => unknown): (rig: Rig) => object {
  let last: { readonly text: string; readonly shape: object } = { text: '', shape: {} }
  return perTables(tables, (rig): object => {
    const text = JSON.stringify(of(rig))
    if (text !== last.text) last = { text, shape: {} }
    return last.shape
  })
}

/** How banks lie: whose they are, in which order, which are pages. Banks are often renamed, and seldom moved. */
export const bankShape = shape(['banks'], (rig) =>
  byIndex(rig.banks).map(({ id, index, controllerId, pageOf }) => [id, index, controllerId, pageOf]),
)

/** How the show that is on runs: its parts with their sounds, and the tempi of its songs. */
export const showShape = shape(['about', 'shows', 'songs', 'parts'], (rig) => {
  const show = showOn(rig)
  return (show ? playedParts(rig, show) : []).map(({ nth, song, part, soundId }) => [
    nth,
    song.id,
    songTempo(song),
    part.id,
    soundId,
  ])
})
