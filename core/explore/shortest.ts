import { coneOf, made, type Machine, type MachineMove, type State } from './machine'
import { lensOf, type Projection } from './project'

/** What a search comes to: the fewest moves, that no moves lead there, or that it was given up before all was seen. */
export type Found =
  | { readonly kind: 'run'; readonly moves: readonly MachineMove[] }
  | { readonly kind: 'never' }
  /** No run of fewer moves than `atLeast` leads there. */
  | { readonly kind: 'unknown'; readonly atLeast: number }

/** How many states may still be looked at before a search is given up. Several searches may share one. */
export interface Budget {
  states: number
}

/** One state of the machine itself takes as long as so many of a projection. */
const WHOLE = 4

/** Where moves lead one after the other; null where one of them cannot be made. */
export function walked(machine: Machine, moves: readonly MachineMove[]): State | null {
  let state = machine.start
  for (const move of moves) {
    // The move before may have led elsewhere than the projection took it to.
    if (!machine.moves[state.place]!.includes(move)) return null
    state = made(machine, state, move)
  }
  return state
}

interface Node {
  readonly place: number
  /** Of the components of the cone. */
  readonly values: Int32Array
  readonly from: Node | null
  readonly move: MachineMove | null
  readonly depth: number
}

/**
 * The fewest moves to a state that is wanted, the machine itself searched, a projection's distance to a goal telling how much
 * is still to come (A*: Hart, Nilsson, Raphael 1968; from memory). `goals` are all that the projection met that may be
 * wanted, by their places among those met; whether a state of the machine is, hangs on the place and on `asked`, among which
 * the projection's components must be. `below`: for runs of fewer moves only.
 */
export function searched(
  machine: Machine,
  projection: Projection,
  goals: readonly number[],
  asked: readonly number[],
  isWanted: (state: State) => boolean,
  budget: Budget,
  below = Number.POSITIVE_INFINITY,
): Found {
  const { sizes, start } = machine
  const left = distanceToGoal(machine, projection, goals)
  const { classed } = projection
  const cone = coneOf(machine, [...projection.kept, ...classed.map(({ component }) => component), ...asked])
  const lens = lensOf(machine, cone)
  const kept = projection.kept.map((component) => cone.indexOf(component))
  const told = classed.map(({ component }) => cone.indexOf(component))
  const leftOf = (place: number, values: Int32Array) => {
    let row = 0
    for (let n = 0; n < kept.length; n++) row = row * sizes[projection.kept[n]!]! + values[kept[n]!]!
    classed.forEach(({ classOf }, n) => {
      row = row * 2 + classOf[values[told[n]!]!]!
    })
    return left.get(place * projection.width + row) ?? -1
  }
  // A state of the cone as one number, as long as it is one exactly.
  const isSmall =
    cone.reduce((product, component) => product * sizes[component]!, machine.moves.length) <=
    Number.MAX_SAFE_INTEGER
  const keyOf = (place: number, values: Int32Array): number | string => {
    if (!isSmall) return `${place},${values.join()}`
    let key = place
    for (let n = 0; n < cone.length; n++) key = key * sizes[cone[n]!]! + values[n]!
    return key
  }
  const whole = [...start.values]
  const isThere = ({ place, values }: Node) => {
    cone.forEach((component, n) => (whole[component] = values[n]!))
    return isWanted({ place, values: whole })
  }
  // By how long a run through them must be at least.
  const open: Node[][] = []
  const met = new Map<number | string, number>()
  const put = (place: number, values: Int32Array, from: Node | null, move: MachineMove | null) => {
    const more = leftOf(place, values)
    if (more < 0) return
    const depth = from === null ? 0 : from.depth + 1
    const key = keyOf(place, values)
    const before = met.get(key)
    if (before !== undefined && before <= depth) return
    met.set(key, depth)
    ;(open[depth + more] ??= []).push({ place, values, from, move, depth })
  }
  put(
    start.place,
    Int32Array.from(cone, (component) => start.values[component]!),
    null,
    null,
  )
  for (let bound = 0; bound < Math.min(open.length, below); bound++) {
    const bucket = open[bound] ?? []
    // It may grow while it is gone through: a move on a shortest way leaves the bound as it is.
    while (bucket.length > 0) {
      const node = bucket.pop()!
      if (met.get(keyOf(node.place, node.values)) !== node.depth) continue
      if (isThere(node)) return { kind: 'run', moves: runOf(node) }
      if (budget.states <= 0) return { kind: 'unknown', atLeast: bound }
      budget.states -= WHOLE
      lens.after(node.place, node.values, (place, values, move) => put(place, values, node, move))
    }
  }
  return { kind: 'never' }
}

function runOf(node: Node): MachineMove[] {
  const back: MachineMove[] = []
  for (let at: Node | null = node; at?.move; at = at.from) back.push(at.move)
  return back.reverse()
}

/** By abstract state how many moves it is at least to the nearest of the goals; none where none leads there. */
function distanceToGoal(
  machine: Machine,
  { kept, classed, met }: Projection,
  goals: readonly number[],
): ReadonlyMap<number, number> {
  const lens = lensOf(machine, kept, classed)
  const before = new Map<number, number[]>()
  for (const state of met)
    lens.follow(state, (next) => {
      const all = before.get(next)
      if (all) all.push(state)
      else before.set(next, [state])
    })
  const queue = goals.map((n) => met[n]!)
  const left = new Map(queue.map((goal) => [goal, 0]))
  for (const state of queue)
    for (const earlier of before.get(state) ?? [])
      if (!left.has(earlier)) {
        left.set(earlier, left.get(state)! + 1)
        queue.push(earlier)
      }
  return left
}
