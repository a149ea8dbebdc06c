import { arborescence, type Arborescence } from './arborescence'
import { capacityOf, emptyAt, type Place } from './keyPlaces'
import type { Content } from './content'
import { amendSteps } from './amending'
import { AmendPresses, ROWS_MAX } from './presses'
import { pressesIn, type Stroke } from './setting'
import {
  choicePresses,
  choicesOf,
  fixedPresses,
  herePresses,
  NOWHERE,
  wayStrokes,
  type Box,
  type Choices,
} from './ways'

/** A place that is to hold something else than it does. */
export interface Job {
  readonly place: Place
  readonly wanted: Content
  /** What it holds; null where that is not known. */
  readonly was: Content | null
}

/** What a place is made from: what stands there, nothing, or a copy of another. */
export type Base =
  | { readonly kind: 'amend' }
  | { readonly kind: 'clear' }
  | { readonly kind: 'copy'; readonly from: Place; readonly content: Content }

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

interface Weights {
  /** `weights[v * size + u]`: presses that make switch v of a copy of u, the way to open it from anywhere left out. */
  readonly weights: Int32Array
  /** The same from what is there, from nothing, or from a place that stays as it is. */
  readonly roots: Int32Array
  readonly bases: readonly Base[]
}

const saveEach = ({ shape: { keying } }: Box): number =>
  keying.save.when === 'each' ? keying.save.keys.length : 0

/** A place that is opened by itself, made from what is there or from nothing. */
function keptStep(box: Box, job: Job): RouteStep {
  const { keying } = box.shape
  const { base, presses } = alone(box, [job], 0, presser(box, [job], []), 0)
  const way = pressesIn(wayStrokes(box, keying.toKept, NOWHERE, choicesOf(job.place)))
  return { job, base, presses: way + presses + saveEach(box) }
}

/** Contents a route can speak of: those wanted, those of other places, those there, and nothing. */
function presser(
  box: Box,
  jobs: readonly Job[],
  others: readonly (readonly [Place, Content])[],
): AmendPresses {
  const capacity = (place: Place) => capacityOf(place, box.shape.controller)
  const empty = (place: Place) => ({ content: emptyAt(box.shape, place), capacity: capacity(place) })
  return new AmendPresses(box.shape, [
    ...jobs.map(({ place, wanted }) => ({ content: wanted, capacity: capacity(place) })),
    ...others.map(([place, content]) => ({ content, capacity: capacity(place) })),
    ...jobs.map(({ place, was }) => (was ? { content: was, capacity: capacity(place) } : empty(place))),
    ...(jobs[0] ? [empty(jobs[0].place)] : []),
  ])
}

/** A place made by itself, of what it holds or of nothing. */
function alone(
  box: Box,
  jobs: readonly Job[],
  others: number,
  amend: AmendPresses,
  n: number,
): { base: Base; presses: number } {
  const [was, empty] = [jobs.length + others + n, 2 * jobs.length + others]
  const emptied = box.shape.keying.clear.length + amend.one(empty, n)
  const amended = jobs[n]!.was === null ? Infinity : amend.one(was, n)
  return amended <= emptied
    ? { base: { kind: 'amend' }, presses: amended }
    : { base: { kind: 'clear' }, presses: emptied }
}

function weightsOf(box: Box, jobs: readonly Job[], others: readonly (readonly [Place, Content])[]): Weights {
  const { keying } = box.shape
  const size = jobs.length
  const weights = new Int32Array(size * size)
  const roots = new Int32Array(size)
  const bases: Base[] = []
  const sources = others.filter(([{ kind }]) => kind === 'switch')
  const amend = presser(box, jobs, sources)
  const save = saveEach(box)
  const places = [...jobs.map(({ place }) => choicesOf(place)), ...sources.map(([place]) => choicesOf(place))]
  const into = new Int32Array(places.length)
  const copying = keying.copy ? new CopyPresses(box, keying.copy, places) : null
  const copied = new Int32Array(places.length)
  for (let v = 0; v < size; v++) {
    let { base, presses } = alone(box, jobs, sources.length, amend, v)
    presses += fixedPresses(box, keying.toSwitch, places[v]!)
    if (copying) {
      amend.into(v, into)
      copying.into(v, copied)
      const row = v * size
      for (let u = 0; u < size; u++) weights[row + u] = copied[u]! + into[u]! + save
      weights[row + v] = 0
      for (let s = 0; s < sources.length; s++) {
        const all = copied[size + s]! + into[size + s]!
        if (all < presses) {
          presses = all
          base = { kind: 'copy', from: sources[s]![0], content: sources[s]![1] }
        }
      }
    }
    roots[v] = presses + save
    bases.push(base)
  }
  return { weights, roots, bases }
}

/** Presses that make a copy of one switch of another, the way to what is opened first with what of it is the same from anywhere. */
class CopyPresses {
  /** For each choice on the way, what each place chooses there, and the presses from each such to each. */
  private readonly choices: {
    readonly of: Int32Array
    readonly size: number
    readonly presses: Int32Array
  }[] = []
  private readonly opened: Int32Array
  private readonly always: number

  constructor(
    box: Box,
    private readonly copy: NonNullable<Box['shape']['keying']['copy']>,
    places: readonly Choices[],
  ) {
    this.opened = Int32Array.from(places, (one) => fixedPresses(box, box.shape.keying.toSwitch, one))
    this.always = copy.keys.length + copy.choose.filter((move) => move.do === 'press').length
    for (const move of copy.choose) {
      if (move.do === 'press') continue
      const { what } = move
      const used = [...new Set(places.map((one) => one[what]))]
      const number = new Map(used.map((value, n) => [value, n]))
      const presses = new Int32Array(used.length * used.length)
      used.forEach((from, a) =>
        used.forEach((to, b) => {
          presses[a * used.length + b] = choicePresses(box, move, move.from === 'start' ? 0 : from, to)
        }),
      )
      const of = Int32Array.from(places, (one) => number.get(one[what])!)
      this.choices.push({ of, size: used.length, presses })
    }
  }

  /** Presses of a copy of every place made to be the one numbered `to`, put to `presses`. */
  into(to: number, presses: Int32Array): void {
    const { opened, choices, copy, always } = this
    const isFrom = copy.way === 'from'
    for (let u = 0; u < presses.length; u++) presses[u] = always + (isFrom ? opened[to]! : opened[u]!)
    for (const { of, size, presses: table } of choices) {
      const it = of[to]!
      if (isFrom) for (let u = 0; u < presses.length; u++) presses[u]! += table[it * size + of[u]!]!
      else for (let u = 0; u < presses.length; u++) presses[u]! += table[of[u]! * size + it]!
    }
  }
}

/** Which jobs come in which order, each with what it is copied from (-1: none of them). */
type Order = readonly { readonly n: number; readonly parent: number }[]

/** What is copied from comes first; else by bank: of those that can come, always the lowest. */
function ordered(jobs: readonly Job[], parent: (n: number) => number): Order {
  const children: number[][] = jobs.map(() => [])
  const heap = new Lowest()
  jobs.forEach((_, n) => (parent(n) < 0 ? heap.put(n) : children[parent(n)]!.push(n)))
  const order: { n: number; parent: number }[] = []
  for (let n = heap.take(); n !== null; n = heap.take()) {
    order.push({ n, parent: parent(n) })
    for (const child of children[n]!) heap.put(child)
  }
  return order
}

/** Numbers of which the lowest is taken. */
class Lowest {
  private readonly all: number[] = []

  put(value: number): void {
    const { all } = this
    let at = all.push(value) - 1
    for (let up = (at - 1) >> 1; at > 0 && all[up]! > value; up = (at - 1) >> 1) {
      all[at] = all[up]!
      at = up
    }
    all[at] = value
  }

  take(): number | null {
    const { all } = this
    const least = all[0]
    if (least === undefined) return null
    const last = all.pop()!
    if (all.length === 0) return least
    let at = 0
    for (;;) {
      let down = 2 * at + 1
      if (down >= all.length) break
      if (down + 1 < all.length && all[down + 1]! < all[down]!) down++
      if (all[down]! >= last) break
      all[at] = all[down]!
      at = down
    }
    all[at] = last
    return least
  }
}

/** By bank: each from nothing, each from the one before it, each from the cheapest before it. */
function plainOrders(
  box: Box,
  jobs: readonly Job[],
  { weights, roots, bases }: Weights,
  start: Choices,
): Order[] {
  const { copy, toSwitch } = box.shape.keying
  const size = jobs.length
  const scratch = jobs.map((_, n) => ({ n, parent: -1 }))
  if (!copy) return [scratch]
  const previous = jobs.map((_, n) => ({ n, parent: n - 1 }))
  // Where what is copied is opened first, the way there from the bank one is in counts as well.
  const opensSource =
    copy.way === 'to' && toSwitch.some((move) => move.do === 'choose' && move.from === 'here')
  const at = jobs.map(({ place }) => choicesOf(place))
  let here = start
  const earlier = jobs.map((_, n) => {
    const way = (to: Choices) => (opensSource ? herePresses(box, toSwitch, here, to) : 0)
    const base = bases[n]!
    const root = base.kind === 'copy' ? choicesOf(base.from) : at[n]!
    let [least, parent] = [roots[n]! + way(root), -1]
    for (let u = n - 1; u >= 0; u--) {
      const presses = weights[n * size + u]!
      if (presses >= least) continue
      const all = presses + way(at[u]!)
      if (all < least) [least, parent] = [all, u]
    }
    here = at[n]!
    return { n, parent }
  })
  return [scratch, previous, earlier]
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
