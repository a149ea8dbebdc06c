import { links, type Rig, type Spot } from '#core/rig'
import { BOX } from './grid'

type Side = 'left' | 'right' | 'top' | 'bottom'

/** The way of one cable: corners from jack to jack, every stretch level or upright. */
export interface CableRoute {
  readonly cableId: string
  readonly points: readonly Spot[]
  /** Where a label stands clear: on a long stretch, away from other cables. */
  readonly label: Label
}

/** The middle of a stretch, which way that runs and how long it is. */
export interface Label extends Spot {
  readonly isLevel: boolean
  readonly length: number
}

/** What is to be connected: two boxes by id. */
export interface Line {
  readonly cableId: string
  readonly from: string
  readonly to: string
}

const SIDES: readonly Side[] = ['right', 'left', 'bottom', 'top']
const OUTWARD: Record<Side, Spot> = {
  left: { x: -1, y: 0 },
  right: { x: 1, y: 0 },
  top: { x: 0, y: -1 },
  bottom: { x: 0, y: 1 },
}
/** How far a cable leaves its box before it turns, and how far it keeps from others' boxes. */
const STUB = 16
const CLEAR = 7
/** Cables on one side of a box are this far apart, where there is room. */
const SPACING = 14

const COST = { bend: 26, box: 900, along: 120, crossing: 34 } as const

interface Stretch {
  readonly a: Spot
  readonly b: Spot
}

const middleOf = (spot: Spot): Spot => ({ x: spot.x + BOX.width / 2, y: spot.y + BOX.height / 2 })

/** The point on one side of a box, `offset` px from the middle of that side. */
function anchor(spot: Spot, side: Side, offset: number): Spot {
  const { x, y } = middleOf(spot)
  const out = OUTWARD[side]
  return {
    x: x + (out.x * BOX.width) / 2 + (out.x === 0 ? offset : 0),
    y: y + (out.y * BOX.height) / 2 + (out.y === 0 ? offset : 0),
  }
}

const moved = (point: Spot, side: Side, by: number): Spot => ({
  x: point.x + OUTWARD[side].x * by,
  y: point.y + OUTWARD[side].y * by,
})

/** Takes out points that do not turn. */
function corners(points: readonly Spot[]): Spot[] {
  const kept: Spot[] = []
  for (const point of points) {
    const [before, last] = [kept.at(-2), kept.at(-1)]
    if (last && last.x === point.x && last.y === point.y) continue
    const isOnWay =
      before &&
      last &&
      ((before.x === last.x && last.x === point.x) || (before.y === last.y && last.y === point.y))
    if (isOnWay) kept.pop()
    kept.push(point)
  }
  return kept
}

const stretches = (points: readonly Spot[]): Stretch[] =>
  points.slice(1).map((b, n) => ({ a: points[n]!, b }))

const lengthOf = (points: readonly Spot[]): number =>
  stretches(points).reduce((sum, { a, b }) => sum + Math.abs(a.x - b.x) + Math.abs(a.y - b.y), 0)

interface Lanes {
  readonly xs: readonly number[]
  readonly ys: readonly number[]
}

/** Ways from one point to another with at most three turns, by the given lanes. */
function* ways(p: Spot, q: Spot, lanes: Lanes) {
  yield [p, { x: q.x, y: p.y }, q]
  yield [p, { x: p.x, y: q.y }, q]
  for (const x of lanes.xs) yield [p, { x, y: p.y }, { x, y: q.y }, q]
  for (const y of lanes.ys) yield [p, { x: p.x, y }, { x: q.x, y }, q]
}

/** Lanes beside every box, three abreast in the usual gap. */
function lanesBeside(places: ReadonlyMap<string, Spot>): Lanes {
  const xs = new Set<number>()
  const ys = new Set<number>()
  for (const { x, y } of places.values())
    for (const gap of [STUB, STUB + 7, STUB + 14]) {
      xs.add(x - gap).add(x + BOX.width + gap)
      ys.add(y - gap).add(y + BOX.height + gap)
    }
  return { xs: [...xs], ys: [...ys] }
}

/** A way round that is further off than this is no way anybody would lay a cable. */
const DETOUR = 2 * BOX.width

const near = (lanes: readonly number[], a: number, b: number): number[] =>
  lanes.filter((lane) => lane > Math.min(a, b) - DETOUR && lane < Math.max(a, b) + DETOUR)

const NO_LANES: Lanes = { xs: [], ys: [] }

const within = (value: number, a: number, b: number) => value > Math.min(a, b) && value < Math.max(a, b)

/** Whether a stretch runs through a box or too close along it. */
function hitsBox({ a, b }: Stretch, spot: Spot): boolean {
  return (
    Math.max(a.x, b.x) > spot.x - CLEAR &&
    Math.min(a.x, b.x) < spot.x + BOX.width + CLEAR &&
    Math.max(a.y, b.y) > spot.y - CLEAR &&
    Math.min(a.y, b.y) < spot.y + BOX.height + CLEAR
  )
}

/** What one stretch costs beside another cable's: lying on it is bad, crossing it a little. */
function meeting(one: Stretch, other: Stretch): number {
  const [oneLevel, otherLevel] = [one.a.y === one.b.y, other.a.y === other.b.y]
  if (oneLevel !== otherLevel) {
    const [level, upright] = oneLevel ? [one, other] : [other, one]
    return within(upright.a.x, level.a.x, level.b.x) && within(level.a.y, upright.a.y, upright.b.y)
      ? COST.crossing
      : 0
  }
  const [axis, along] = oneLevel ? (['y', 'x'] as const) : (['x', 'y'] as const)
  if (Math.abs(one.a[axis] - other.a[axis]) >= 6) return 0
  const overlap =
    Math.min(Math.max(one.a[along], one.b[along]), Math.max(other.a[along], other.b[along])) -
    Math.max(Math.min(one.a[along], one.b[along]), Math.min(other.a[along], other.b[along]))
  return overlap > 0 ? COST.along + overlap : 0
}

interface End {
  readonly box: string
  readonly side: Side
  readonly offset: number
}

/** The cheapest way between two ends: short, with few turns, round boxes, not along other cables. */
function cheapest(
  places: ReadonlyMap<string, Spot>,
  from: End,
  to: End,
  laid: readonly Stretch[],
  lanes: Lanes,
): { points: Spot[]; cost: number } {
  const start = anchor(places.get(from.box)!, from.side, from.offset)
  const end = anchor(places.get(to.box)!, to.side, to.offset)
  const [p, q] = [moved(start, from.side, STUB), moved(end, to.side, STUB)]
  const candidates: { points: Spot[]; base: number }[] = []
  const between = {
    xs: [(p.x + q.x) / 2, ...near(lanes.xs, p.x, q.x)],
    ys: [(p.y + q.y) / 2, ...near(lanes.ys, p.y, q.y)],
  }
  for (const way of ways(p, q, between)) {
    const points = corners([start, ...way, end])
    candidates.push({ points, base: lengthOf(points) + COST.bend * (points.length - 2) })
  }
  candidates.sort((a, b) => a.base - b.base)
  let best = { points: candidates[0]!.points, cost: Infinity }
  for (const { points, base } of candidates) {
    // What is to come can only be longer.
    if (base >= best.cost) break
    const cost = base + obstacles(places, points, from.box, to.box, laid, best.cost - base)
    if (cost < best.cost) best = { points, cost }
  }
  return best
}

function obstacles(
  places: ReadonlyMap<string, Spot>,
  points: readonly Spot[],
  from: string,
  to: string,
  laid: readonly Stretch[],
  limit: number,
): number {
  let cost = 0
  const own = stretches(points)
  for (const [n, stretch] of own.entries()) {
    for (const [box, spot] of places) {
      // A cable touches its own boxes where it leaves and comes in, and nowhere else.
      const isOwn = (box === from && n === 0) || (box === to && n === own.length - 1)
      if (!isOwn && hitsBox(stretch, spot)) cost += COST.box
    }
    for (const other of laid) cost += meeting(stretch, other)
    if (cost >= limit) return cost
  }
  return cost
}

/** Which sides of its two boxes a cable should use, going the plainest ways. */
function chooseSides(places: ReadonlyMap<string, Spot>, { from, to }: Line): { from: Side; to: Side } {
  let best: { from: Side; to: Side; cost: number } = { from: 'right', to: 'left', cost: Infinity }
  for (const a of SIDES)
    for (const b of SIDES) {
      const { cost } = cheapest(
        places,
        { box: from, side: a, offset: 0 },
        { box: to, side: b, offset: 0 },
        [],
        NO_LANES,
      )
      if (cost < best.cost - 0.5) best = { from: a, to: b, cost }
    }
  return best
}

/** Spreads cables along each side of each box, in the order of where they go, so that they do not cross there. */
function spreadEnds(
  places: ReadonlyMap<string, Spot>,
  lines: readonly Line[],
  sides: readonly { from: Side; to: Side }[],
): { from: End; to: End }[] {
  const onSide = new Map<string, { line: number; which: 'from' | 'to'; along: number }[]>()
  lines.forEach((line, n) => {
    for (const which of ['from', 'to'] as const) {
      const other = middleOf(places.get(which === 'from' ? line.to : line.from)!)
      const side = sides[n]![which]
      const along = OUTWARD[side].x === 0 ? other.x : other.y
      const key = `${line[which]}/${side}`
      onSide.set(key, [...(onSide.get(key) ?? []), { line: n, which, along }])
    }
  })
  const offsets = lines.map(() => ({ from: 0, to: 0 }))
  for (const [key, ends] of onSide) {
    const isUpright = key.endsWith('/left') || key.endsWith('/right')
    const room = (isUpright ? BOX.height : BOX.width) - 20
    const gap = Math.min(SPACING, room / 2 / Math.max(1, ends.length - 1))
    ends.sort((a, b) => a.along - b.along || a.line - b.line)
    // One that can go straight keeps the middle; the others make room for it.
    const middle = middleOf(places.get(key.slice(0, key.lastIndexOf('/')))!)
    const straight = ends.flatMap(({ along }, n) => (along === (isUpright ? middle.y : middle.x) ? [n] : []))
    const zero = straight.length === 1 ? straight[0]! : (ends.length - 1) / 2
    ends.forEach(({ line, which }, n) => (offsets[line]![which] = (n - zero) * gap))
  }
  return lines.map((line, n) => ({
    from: { box: line.from, side: sides[n]!.from, offset: offsets[n]!.from },
    to: { box: line.to, side: sides[n]!.to, offset: offsets[n]!.to },
  }))
}

/**
 * Leads every line round the boxes: level and upright stretches, few turns, apart from one another and
 * from the cables `around` that stay as they are. Deterministic.
 */
export function routeLines(
  places: ReadonlyMap<string, Spot>,
  lines: readonly Line[],
  around: readonly CableRoute[] = [],
): CableRoute[] {
  const ends = spreadEnds(
    places,
    lines,
    lines.map((line) => chooseSides(places, line)),
  )
  const fixed = around.flatMap(({ points }) => stretches(points))
  const laid = [...fixed]
  const lanes = lanesBeside(places)
  const all = lines.map((_, n) => {
    const { points } = cheapest(places, ends[n]!.from, ends[n]!.to, laid, lanes)
    laid.push(...stretches(points))
    return points
  })
  return lines.map(({ cableId }, n) => {
    const others = [...fixed, ...all.flatMap((points, m) => (m === n ? [] : stretches(points)))]
    return { cableId, points: all[n]!, label: clearest(stretches(all[n]!), others) }
  })
}

/** How near a label another cable may pass, across and down. */
const LABEL = { x: 26, y: 9 } as const

/** The middle of the longest stretch whose middle no other cable comes near; of the longest when there is none. */
function clearest(own: readonly Stretch[], others: readonly Stretch[]): Label {
  const choices = own
    .map(({ a, b }) => ({
      x: (a.x + b.x) / 2,
      y: (a.y + b.y) / 2,
      isLevel: a.y === b.y,
      length: Math.abs(a.x - b.x) + Math.abs(a.y - b.y),
    }))
    .sort((one, other) => other.length - one.length)
  const isClear = ({ x, y }: Spot) =>
    !others.some(
      ({ a, b }) =>
        Math.max(a.x, b.x) > x - LABEL.x &&
        Math.min(a.x, b.x) < x + LABEL.x &&
        Math.max(a.y, b.y) > y - LABEL.y &&
        Math.min(a.y, b.y) < y + LABEL.y,
    )
  return choices.find((one) => one.length > LABEL.x && isClear(one)) ?? choices[0]!
}

/** Lines for the cables of a rig that `shows` lets through; a cable between two jacks of one box has none. */
export const linesOf = (rig: Rig, shows: (cableId: string) => boolean): Line[] =>
  links(rig).flatMap(({ cable, from, to }) =>
    shows(cable.id) && from.end.id !== to.end.id
      ? [{ cableId: cable.id, from: from.end.id, to: to.end.id }]
      : [],
  )
