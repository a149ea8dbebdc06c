import { switchCount, type BankId, type Controller, type Layer } from '#core/rig'
import { pointOf, type PartWay, type Point } from '#core/show'

interface Tile extends Point {
  readonly number: number
}

interface Leg {
  readonly path: string
  readonly to: Point
  /** 2 px with time enough, 9 where there is none. */
  readonly width: number
  readonly isLate: boolean
}

/** A board from above in px: the near row below. */
export interface BoardDrawing {
  readonly width: number
  readonly height: number
  readonly side: number
  readonly tiles: readonly Tile[]
  readonly legs: readonly Leg[]
}

const SIDE = 68
const GAP = 10

/** The legs of the foot that lie in one bank and layer, one after the other, as bows so that going and coming differ. */
export function boardPath(
  controller: Controller,
  bankId: BankId,
  layer: Layer,
  ways: readonly PartWay[],
): BoardDrawing {
  const { rows, columns } = controller
  const centre = (number: number): Point => {
    const { x, y } = pointOf(controller, { jack: '', number })
    return {
      x: (x / controller.columnMm) * (SIDE + GAP) + SIDE / 2 + 2,
      y: (rows - 1 - y / controller.rowMm) * (SIDE + GAP) + SIDE / 2 + 2,
    }
  }
  /** Above the name. */
  const foot = (number: number): Point => ({ x: centre(number).x, y: centre(number).y - 12 })
  const legs: Leg[] = []
  let at: number | null = null
  for (const way of ways) {
    for (const { from, to, number, jack } of way.route?.moves ?? []) {
      const isHere = from.bankId === bankId && from.layer === layer && jack === ''
      if (isHere && at !== null && at !== number)
        legs.push({ path: bow(foot(at), foot(number)), to: foot(number), ...pressed(way) })
      at = to.bankId === bankId && to.layer === layer && jack === '' ? number : null
    }
  }
  return {
    width: columns * (SIDE + GAP) - GAP + 4,
    height: rows * (SIDE + GAP) - GAP + 4,
    side: SIDE,
    tiles: Array.from({ length: switchCount(controller) }, (_, n) => {
      const { x, y } = centre(n + 1)
      return { number: n + 1, x: x - SIDE / 2, y: y - SIDE / 2 }
    }),
    legs,
  }
}

/** How little time there is: all of it used is 9 px. */
function pressed({ readyMs, aheadMs, inTime }: PartWay): Pick<Leg, 'width' | 'isLate'> {
  const used = aheadMs === null || readyMs === null ? 0.25 : Math.min(1, readyMs / Math.max(1, aheadMs))
  return { width: 2 + 7 * used, isLate: inTime === 'tight' || inTime === 'never' }
}

function bow(from: Point, to: Point): string {
  const bend = 0.18
  const x = (from.x + to.x) / 2 - (to.y - from.y) * bend
  const y = (from.y + to.y) / 2 + (to.x - from.x) * bend
  return `M${from.x} ${from.y}Q${x.toFixed(1)} ${y.toFixed(1)} ${to.x} ${to.y}`
}
