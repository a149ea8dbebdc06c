import type { Controller, Player, Footswitch } from '#core/rig'

/** A place on the board, in mm: x from the left switch of the near row to the right, y from the near row away. */
export interface Point {
  readonly x: number
  readonly y: number
}

type Board = Pick<Controller, 'rows' | 'columns' | 'columnMm' | 'rowMm'>

/** Where a footswitch is. One on a jack is taken to lie at the right of the board, since no rig says where. */
export function pointOf(
  { columns, columnMm, rowMm }: Board,
  { jack, number }: Pick<Footswitch, 'jack' | 'number'>,
): Point {
  if (jack !== '') return { x: (columns + number - 1) * columnMm, y: 0 }
  return { x: ((number - 1) % columns) * columnMm, y: Math.floor((number - 1) / columns) * rowMm }
}

/** Where the foot rests between two steps that are far apart in time: before the board, on its own side. */
export const restPoint = ({ columns, columnMm, rowMm }: Board, { foot }: Pick<Player, 'foot'>): Point => ({
  x: ((columns - 1) * columnMm * (foot === 'left' ? 1 : 2)) / 3,
  y: -rowMm,
})

export const distanceMm = (from: Point, to: Point): number => Math.hypot(to.x - from.x, to.y - from.y)

/** Two steps on one switch, and on its neighbour (common practice, from memory). */
const SAME_MS = 150
const NEIGHBOUR_MS = 350
/** What those were taken on: the usual spacing and boot, in mm. */
const USUAL_MM = 65
const USUAL_BOOT = 100
/** The body moves to reach it (ours: a step of the other foot). */
const BEYOND_REACH_MS = 400

/** How wide a switch is for a foot: what the boot may be off by before it is on the next one, in mm. */
const roomMm = (spacing: number, bootMm: number): number => Math.max(8, 2 * spacing - bootMm)

/**
 * How long a foot takes from one switch to the next, in ms: a + b log2(1 + D / W), the Shannon form of Fitts' law
 * (MacKenzie, Human-Computer Interaction 7 (1992) 91-139), with W the room that spacing and boot leave, and a and b such
 * that a step on the same switch takes 150 ms and one on the neighbour of a usual board 350 ms. Across ten switches that
 * comes to 690 ms, where players say 700.
 */
export function stepMs(board: Board, player: Player, from: Point, to: Point): number {
  const perBit = (NEIGHBOUR_MS - SAME_MS) / Math.log2(1 + USUAL_MM / roomMm(USUAL_MM, USUAL_BOOT))
  const room = roomMm(Math.min(board.columnMm, board.rows > 1 ? board.rowMm : Infinity), player.bootMm)
  const plain = SAME_MS + perBit * Math.log2(1 + distanceMm(from, to) / room)
  return isInReach(board, player, to) ? plain : plain + BEYOND_REACH_MS
}

/** Whether a place is reached from where the foot rests without a step of the body. */
export const isInReach = (board: Board, player: Player, to: Point): boolean =>
  distanceMm(restPoint(board, player), to) <= player.reachMm

/** Switches nearer than this are hit together by a usual boot (common practice): 55 mm for 100 mm. */
export const hitsTwo = (
  { columnMm, rowMm, rows, columns }: Board,
  { bootMm }: Pick<Player, 'bootMm'>,
): boolean => (columns > 1 && columnMm * 100 < bootMm * 55) || (rows > 1 && rowMm * 100 < bootMm * 55)
