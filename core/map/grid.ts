import type { Spot } from '#core/rig'

/** A box on the map, and the distance from one to the next, in px. */
export const BOX = { width: 122, height: 70 } as const
const PITCH = { x: 168, y: 112 } as const

/** A place on the grid, from 0. */
export interface Cell {
  readonly column: number
  readonly row: number
}

/** The top left corner of the box in a cell. {@link cellAt} is the inverse for spots on the grid. */
export const spotOf = ({ column, row }: Cell): Spot => ({ x: column * PITCH.x, y: row * PITCH.y })

/** The cell a spot is nearest to. */
export const cellAt = ({ x, y }: Spot): Cell => ({
  column: Math.round(x / PITCH.x),
  row: Math.round(y / PITCH.y),
})
