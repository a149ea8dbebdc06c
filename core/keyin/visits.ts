import { ordered, plainOrders, type Order } from './visitOrders'
import { alone, presser, saveEach, weightsOf, type Base, type Job, type Weights } from './visitWeights'
import { arborescence, type Arborescence } from './arborescence'
import { capacityOf, emptyAt, type Place } from './keyPlaces'
import type { Content } from './content'
import { amendSteps } from './amending'
import { ROWS_MAX } from './presses'
import { pressesIn, type Stroke } from './setting'
import { choicesOf, herePresses, NOWHERE, wayStrokes, type Box, type Choices } from './ways'

export interface RouteStep {
  readonly job: Job
  readonly base: Base
  /** Presses in all, the way there from the step before with them. */
  readonly presses: number
}

export interface VisitRoute {
  readonly steps: readonly RouteStep[]
  /** With those that send everything at the end. */
  readonly presses: number
  /** That no way of copying takes fewer, going from place to place left out; null where nothing can be copied. */
  readonly proof: RouteProof | null
}

export interface RouteProof {
  readonly weights: Int32Array
  readonly roots: Int32Array
  readonly tree: Arborescence
}

/**
 * The order in which places are keyed in, and what each is made from, with the fewest presses: what is kept beside the
 * switches first, since switches call it. Among the switches a minimum-cost arborescence says what is copied from what.
 * Where a controller goes to a bank from the one it is in, the order costs presses too; then that of the banks, without
 * copying and with it, is tried as well and the least is taken. `others` hold what they should and can be copied from; `start`
 * is what was chosen last.
 */
export function routeOf(
  box: Box,
  jobs: readonly Job[],
  others: readonly (readonly [Place, Content])[],
  start: Choices = NOWHERE,
): VisitRoute {
  const kept = jobs.filter(({ place }) => place.kind === 'kept')
  const switches = jobs.filter(({ place }) => place.kind === 'switch').sort(byPlace)
  const first = kept.map((job) => keptStep(box, job))
  if (isTooLarge(switches, others)) return inTurn(box, first, switches, start)
  const matrix = weightsOf(box, switches, others)
  const tree =
    box.shape.keying.copy && switches.length > 0 ? arborescence(matrix.weights, matrix.roots) : null
  const orders = [
    ...(tree ? [ordered(switches, (n) => tree.parent[n]!)] : []),
    ...plainOrders(box, switches, matrix, start),
  ]
  const ways = orders.map((order) => stepsOf(box, switches, matrix, order, start))
  const steps = ways.length === 0 ? [] : ways.reduce((least, way) => (sum(way) < sum(least) ? way : least))
  const { save } = box.shape.keying
  const end = save.when === 'end' && jobs.length > 0 ? save.keys.length : 0
  return {
    steps: [...first, ...steps],
    presses: sum(first) + sum(steps) + end,
    proof: tree && { ...matrix, tree },
  }
}

/** More than a page has room for: pairs of switches, and different rows. */
const PAIRS_MAX = 16_000_000

function isTooLarge(jobs: readonly Job[], others: readonly (readonly [Place, Content])[]): boolean {
  if (jobs.length * (jobs.length + others.length) > PAIRS_MAX) return true
  const rows = new Set<string>()
  for (const content of [...jobs.map(({ wanted }) => wanted), ...others.map(([, its]) => its)])
    for (const { lists, name } of [content]) {
      if (name) rows.add(String(name))
      for (const list of lists) for (const row of list.rows) rows.add(String(row))
    }
  return rows.size > ROWS_MAX - 100
}

/** By bank, each from what is there or as a copy of the one before it: not shown to be the fewest presses. */
function inTurn(box: Box, first: readonly RouteStep[], jobs: readonly Job[], start: Choices): VisitRoute {
  const { keying } = box.shape
  const { save } = keying
  let here = start
  const steps = jobs.map((job, n): RouteStep => {
    const before = jobs[n - 1]
    const capacity = capacityOf(job.place, box.shape.controller)
    const empty = emptyAt(box.shape, job.place)
    const open = pressesIn(wayStrokes(box, keying.toSwitch, here, choicesOf(job.place)))
    const made = (from: Content) => amendPresses(box, from, job.wanted, capacity)
    const bases: { base: Base; presses: number }[] = [
      ...(job.was ? [{ base: { kind: 'amend' as const }, presses: open + made(job.was) }] : []),
      { base: { kind: 'clear' }, presses: open + keying.clear.length + made(empty) },
    ]
    if (before && keying.copy) {
      const base: Base = { kind: 'copy', from: before.place, content: before.wanted }
      const { strokes, copies } = openStrokes(box, { job, base, presses: 0 }, here)
      bases.push({ base, presses: pressesIn(strokes) + pressesIn(copies) + made(before.wanted) })
    }
    here = choicesOf(job.place)
    const { base, presses } = bases.reduce((least, one) => (one.presses < least.presses ? one : least))
    return { job, base, presses: presses + saveEach(box) }
  })
  const end = save.when === 'end' ? save.keys.length : 0
  return { steps: [...first, ...steps], presses: sum(first) + sum(steps) + end, proof: null }
}

const amendPresses = (box: Box, from: Content, to: Content, capacity: number): number =>
  amendSteps(box.shape, from, to, capacity).reduce((all, { strokes }) => all + pressesIn(strokes), 0)

const sum = (steps: readonly RouteStep[]): number => steps.reduce((all, { presses }) => all + presses, 0)

/** By bank, layer and place. */
const byPlace = (a: Job, b: Job): number => {
  const [x, y] = [choicesOf(a.place), choicesOf(b.place)]
  return x.bank - y.bank || x.layer - y.layer || x.place - y.place
}

/** A place that is opened by itself, made from what is there or from nothing. */
function keptStep(box: Box, job: Job): RouteStep {
  const { keying } = box.shape
  const { base, presses } = alone(box, [job], 0, presser(box, [job], []), 0)
  const way = pressesIn(wayStrokes(box, keying.toKept, NOWHERE, choicesOf(job.place)))
  return { job, base, presses: way + presses + saveEach(box) }
}

/** An order as steps, with the presses of going from each to the next. */
function stepsOf(
  box: Box,
  jobs: readonly Job[],
  { weights, roots, bases }: Weights,
  order: Order,
  start: Choices,
): RouteStep[] {
  const { toSwitch, copy } = box.shape.keying
  let here = start
  return order.map(({ n, parent }): RouteStep => {
    const job = jobs[n]!
    const base: Base =
      parent < 0 ? bases[n]! : { kind: 'copy', from: jobs[parent]!.place, content: jobs[parent]!.wanted }
    const fixed = parent < 0 ? roots[n]! : weights[n * jobs.length + parent]!
    const open = base.kind === 'copy' && copy?.way === 'to' ? base.from : job.place
    const way = herePresses(box, toSwitch, here, choicesOf(open))
    here = choicesOf(job.place)
    return { job, base, presses: fixed + way }
  })
}

/** Everything that is pressed for one step, from where the one before left off. */
export function openStrokes(
  box: Box,
  { job, base }: RouteStep,
  here: Choices,
): { strokes: Stroke[]; copies: Stroke[] } {
  const { keying } = box.shape
  const moves = job.place.kind === 'switch' ? keying.toSwitch : keying.toKept
  const open = base.kind === 'copy' && keying.copy?.way === 'to' ? base.from : job.place
  const strokes = wayStrokes(box, moves, here, choicesOf(open))
  if (base.kind !== 'copy' || !keying.copy) return { strokes, copies: [] }
  const other = keying.copy.way === 'to' ? job.place : base.from
  const copies = [
    ...keying.copy.keys.map(({ key, holdMs }): Stroke => ({ key, times: 1, ...(holdMs > 0 && { holdMs }) })),
    ...wayStrokes(box, keying.copy.choose, choicesOf(open), choicesOf(other)),
  ]
  return { strokes, copies }
}
