import { perObject } from '#core/base'
import { boxes, links, type Rig, type Spot } from '#core/rig'
import { BOX, cellAt, spotOf, type Cell } from './grid'
import { arrange } from './tidy'

/**
 * Where every box of the rig stands: where its row says; those that have no place yet stand where
 * `arrange` would put them, or in the nearest free cell to that.
 */
export const spots = perObject((rig: Rig): ReadonlyMap<string, Spot> => {
  const places = new Map<string, Spot>()
  const placeless = boxes(rig).filter(({ id, spot }) => {
    if (spot) places.set(id, spot)
    return !spot
  })
  if (placeless.length === 0) return places
  const wanted = arrange(rig)
  for (const { id } of placeless) places.set(id, spotOf(nearestFree(wanted.get(id)!, [...places.values()])))
  return places
})

const overlaps = (a: Spot, b: Spot): boolean =>
  Math.abs(a.x - b.x) < BOX.width + 8 && Math.abs(a.y - b.y) < BOX.height + 8

/** The free cell nearest to one; ties go up and left. */
function nearestFree(cell: Cell, taken: readonly Spot[]): Cell {
  for (let ring = 0; ; ring++)
    for (let row = Math.max(0, cell.row - ring); row <= cell.row + ring; row++)
      for (let column = Math.max(0, cell.column - ring); column <= cell.column + ring; column++) {
        const isOnRing = Math.max(Math.abs(row - cell.row), Math.abs(column - cell.column)) === ring
        if (isOnRing && !taken.some((one) => overlaps(one, spotOf({ column, row })))) return { column, row }
      }
}

/** A free place for a box to come: beside the box it will be cabled to, or beside the last one. */
export function freeSpot(rig: Rig, beside?: string): Spot {
  const places = spots(rig)
  const last = beside ?? links(rig).at(-1)?.to.end.id ?? [...places.keys()].at(-1)
  const near = last === undefined ? undefined : places.get(last)
  const from = near ? cellAt(near) : { column: 0, row: 0 }
  const next = near ? { column: from.column < 3 ? from.column + 1 : from.column, row: from.row } : from
  return spotOf(nearestFree(next, [...places.values()]))
}
