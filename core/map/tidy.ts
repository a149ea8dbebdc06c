import { boxes, isForMidi, links, change, type Change, type Edit, type Rig, type Spot } from '#core/rig'
import { spotOf, type Cell } from './grid'

/** A cable between two boxes, by their places in the list; the heavier, the shorter it should be. */
interface Pull {
  readonly a: number
  readonly b: number
  readonly weight: number
}

const WEIGHT = { midi: 3, control: 2, power: 0.4 } as const

function pulls(rig: Rig, index: ReadonlyMap<string, number>): Pull[] {
  return links(rig).map((link) => ({
    a: index.get(link.from.end.id)!,
    b: index.get(link.to.end.id)!,
    weight: isForMidi(link)
      ? WEIGHT.midi
      : link.from.meant.kind === 'powerOut'
        ? WEIGHT.power
        : WEIGHT.control,
  }))
}

/** Boxes in the order in which a walk along the cables meets them, MIDI first, from the first controller. */
function walkOrder(count: number, all: readonly Pull[]): number[] {
  const order: number[] = []
  const seen = new Set<number>()
  const visit = (box: number): void => {
    if (seen.has(box)) return
    seen.add(box)
    order.push(box)
    const onward = all.filter(({ a, b }) => a === box || b === box).sort((x, y) => y.weight - x.weight)
    for (const { a, b } of onward) visit(a === box ? b : a)
  }
  for (let box = 0; box < count; box++) visit(box)
  return order
}

/** A grid about as wide as it is high on a screen, with a few cells to spare. */
function gridFor(count: number): { columns: number; rows: number } {
  const columns = Math.min(7, Math.max(2, Math.round(Math.sqrt(count * 1.35))))
  return { columns, rows: Math.max(1, Math.ceil((count * 1.12) / columns)) }
}

/** The length of a cable in cells: a bend costs a little, a box in the way of a straight one costs more. */
function lengthOf(from: Cell, to: Cell, isTaken: (column: number, row: number) => boolean): number {
  const [across, down] = [Math.abs(from.column - to.column), Math.abs(from.row - to.row)]
  let blocked = 0
  if (down === 0)
    for (let c = Math.min(from.column, to.column) + 1; c < Math.max(from.column, to.column); c++)
      blocked += Number(isTaken(c, from.row))
  if (across === 0)
    for (let r = Math.min(from.row, to.row) + 1; r < Math.max(from.row, to.row); r++)
      blocked += Number(isTaken(from.column, r))
  return across + down + (across > 0 && down > 0 ? 0.7 : 0) + blocked
}

/**
 * A cell for every box so that cables are short and straight: a walk along the cables laid out as a
 * snake, then two cells exchanged as long as that shortens the whole. Deterministic. The first controller
 * stays top left. Cost: a few thousand sums of all cables.
 */
export function arrange(rig: Rig): ReadonlyMap<string, Cell> {
  const all = boxes(rig)
  const index = new Map(all.map(({ id }, n) => [id as string, n]))
  const cables = pulls(rig, index)
  const { columns, rows } = gridFor(all.length)
  const snake = Array.from({ length: columns * rows }, (_, n) => {
    const row = Math.floor(n / columns)
    return { row, column: row % 2 === 0 ? n % columns : columns - 1 - (n % columns) }
  })
  /** Which box stands in each cell of the snake; -1 for none. */
  const taken: number[] = snake.map(() => -1)
  walkOrder(all.length, cables).forEach((box, n) => (taken[n] = box))
  const place: Cell[] = []
  const settle = () => taken.forEach((box, cell) => box >= 0 && (place[box] = snake[cell]!))
  const cellIndex = (column: number, row: number) =>
    row * columns + (row % 2 === 0 ? column : columns - 1 - column)
  const isTaken = (column: number, row: number) => taken[cellIndex(column, row)]! >= 0
  const cost = () => {
    settle()
    return cables.reduce((sum, { a, b, weight }) => sum + weight * lengthOf(place[a]!, place[b]!, isTaken), 0)
  }
  const swap = (a: number, b: number) => ([taken[a], taken[b]] = [taken[b]!, taken[a]!])
  let best = cost()
  for (let isBetter = true, rounds = 0; isBetter && rounds < 40; rounds++) {
    isBetter = false
    for (let a = 1; a < taken.length; a++)
      for (let b = a + 1; b < taken.length; b++) {
        if (taken[a] === taken[b]) continue
        swap(a, b)
        const next = cost()
        if (next < best - 1e-9) {
          best = next
          isBetter = true
        } else swap(a, b)
      }
  }
  settle()
  return new Map(all.map(({ id }, n) => [id, place[n]!]))
}

/** Puts every box where {@link arrange} would, also those the player has moved. Null when nothing moves. */
export function tidy(rig: Rig): Edit | null {
  const cells = arrange(rig)
  const changes: Change[] = []
  const isSame = (a: Spot | null, b: Spot) => a?.x === b.x && a.y === b.y
  for (const row of Object.values(rig.controllers)) {
    const spot = spotOf(cells.get(row.id)!)
    if (!isSame(row.spot, spot)) changes.push(change('controllers', row.id, row, { ...row, spot }))
  }
  for (const row of Object.values(rig.devices)) {
    const spot = spotOf(cells.get(row.id)!)
    if (!isSame(row.spot, spot)) changes.push(change('devices', row.id, row, { ...row, spot }))
  }
  return changes.length === 0 ? null : { label: 'tidy', changes }
}
