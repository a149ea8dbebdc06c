import { LEFT, rowOf, type Machine, type MachineMove, type Table } from './machine'

/**
 * A machine seen through some of its components: all places and values of those that it can come to when every other
 * component may hold anything at any time. Whatever the machine itself can come to is among it, and no nearer here than
 * there: `distance` is never more than the fewest moves it takes.
 */
export interface Projection {
  readonly kept: readonly number[]
  readonly classed: readonly Classed[]
  /**
   * By how many ways the kept components can be: an abstract state is the place times that, plus their values as digits,
   * the first counting slowest, those told apart by class last.
   */
  readonly width: number
  /** Abstract states, in the order of their distance. */
  readonly met: readonly number[]
  /** The fewest moves to each of those. */
  readonly distance: readonly number[]
  /** For each the one before it on a shortest way, as its place among those met, and the move made there; -1 and null for the first. */
  readonly from: readonly number[]
  readonly by: readonly (MachineMove | null)[]
}

/** A component of which no more is told apart than in which of two classes its value is. */
export interface Classed {
  readonly component: number
  /** By value: 0 or 1. */
  readonly classOf: readonly number[]
}

/** More abstract states than this are not looked at. */
const MET_MAX = 400_000

/** What of a projection is looked at. */
interface Until {
  /** The first one so is the last one met. */
  readonly isGoal?: (state: number) => boolean
  /** None so far away or farther is met. */
  readonly distance?: number
  /** So many at most. */
  readonly states?: number
}

/** Null where more abstract states would be met than may be. */
export function project(
  machine: Machine,
  kept: readonly number[],
  classed: readonly Classed[] = [],
  { isGoal, distance: farthest = Number.POSITIVE_INFINITY, states = MET_MAX }: Until = {},
): Projection | null {
  const { sizes, start } = machine
  const lens = lensOf(machine, kept, classed)
  const { width } = lens
  const distance: number[] = []
  const from: number[] = []
  const by: (MachineMove | null)[] = []
  const met: number[] = []
  const seen = new Seen(width * machine.moves.length)
  let isMet = false
  const meet = (state: number, before: number, move: MachineMove | null) => {
    if (isMet || !seen.add(state)) return
    distance.push(before < 0 ? 0 : distance[before]! + 1)
    from.push(before)
    by.push(move)
    met.push(state)
    isMet = isGoal?.(state) ?? false
  }
  let first = 0
  for (const component of kept) first = first * sizes[component]! + start.values[component]!
  for (const { component, classOf } of classed) first = first * 2 + classOf[start.values[component]!]!
  meet(start.place * width + first, -1, null)
  for (let n = 0; n < met.length && !isMet && distance[n]! + 1 < farthest; n++) {
    if (met.length > states) return null
    lens.follow(met[n]!, (next, move) => meet(next, n, move))
  }
  return { kept, classed, width, met, distance, from, by }
}

/** The moves of a shortest way to one of those met, by its place among them. */
export function wayTo({ from, by }: Projection, n: number): MachineMove[] {
  const back: MachineMove[] = []
  for (let at = n; from[at] !== -1; at = from[at]!) back.push(by[at]!)
  return back.reverse()
}

/** A set of whole numbers below a limit: one bit each where that is little, else those that are in it. */
class Seen {
  readonly #bits: Uint32Array | null
  readonly #all = new Set<number>()

  constructor(limit: number) {
    this.#bits = limit <= 2 ** 26 ? new Uint32Array(Math.ceil(limit / 32)) : null
  }

  /** Whether it was not in it. */
  add(value: number): boolean {
    if (this.#bits === null) return this.#all.size !== this.#all.add(value).size
    const [word, bit] = [value >>> 5, 1 << (value & 31)]
    if ((this.#bits[word]! & bit) !== 0) return false
    this.#bits[word]! |= bit
    return true
  }
}

/** Moves as they look through some components. */
export interface Lens {
  readonly width: number
  /** Every abstract state a move may lead to from one, with the move. */
  readonly follow: (state: number, meet: (next: number, move: MachineMove) => void) => void
  /** The same for the values of all that is looked at, where nothing a move goes by is left out and no classes are made. */
  readonly after: (
    place: number,
    values: Int32Array,
    meet: (place: number, values: Int32Array, move: MachineMove) => void,
  ) => void
}

interface Look {
  readonly move: MachineMove
  /** What it puts where, whatever is there. */
  readonly sets: readonly { readonly position: number; readonly value: number }[]
  /** What hangs on what is there. */
  readonly effects: readonly { readonly table: Table; readonly position: number }[]
  readonly jump: Table | null
  /** Components they go by that are not looked at, or not wholly: each may hold anything, or anything of its class. */
  readonly free: readonly number[]
}

export function lensOf(machine: Machine, kept: readonly number[], classed: readonly Classed[] = []): Lens {
  const { sizes } = machine
  const seen: readonly number[] = [...kept, ...classed.map(({ component }) => component)]
  const position = new Map(seen.map((component, n) => [component, n]))
  const spans = [...kept.map((component) => sizes[component]!), ...classed.map(() => 2)]
  const weights = spans.map(() => 1)
  for (let n = spans.length - 2; n >= 0; n--) weights[n] = weights[n + 1]! * spans[n + 1]!
  const width = spans.reduce((product, span) => product * span, 1)
  const digit = (n: number, value: number) =>
    n < kept.length ? value : classed[n - kept.length]!.classOf[value]!
  const { touching, jumping } = placesOf(machine)
  const looks = new Map<MachineMove, Look>()
  const look = (move: MachineMove): Look => {
    let one = looks.get(move)
    if (one) return one
    const sets: { position: number; value: number }[] = []
    const effects: { table: Table; position: number }[] = []
    for (const table of move.effects) {
      const n = position.get(table.component)
      if (n === undefined || table.table.every((value) => value === LEFT)) continue
      if (table.reads.length === 0) sets.push({ position: n, value: digit(n, table.table[0]!) })
      else effects.push({ table, position: n })
    }
    const reads = new Set([...effects.flatMap(({ table }) => table.reads), ...(move.jump?.reads ?? [])])
    const free = [...reads].filter((component) => (position.get(component) ?? kept.length) >= kept.length)
    looks.set(move, (one = { move, sets, effects, jump: move.jump, free }))
    return one
  }
  const here: Look[][] = []
  /** Those at a place that lead elsewhere or touch what is looked at; of those that look the same, one. */
  const at = (place: number): readonly Look[] => {
    const known = here[place]
    if (known) return known
    const moves = new Set(jumping[place])
    for (const component of seen) for (const move of touching[component]!.get(place) ?? []) moves.add(move)
    const plain = new Set<string>()
    const all = [...moves].map(look).filter(({ sets, effects, jump }) => {
      if (effects.length > 0 || (jump && jump.reads.length > 0)) return true
      const to = jump ? jump.table[0]! : LEFT
      const text = `${to === LEFT ? place : to} ${sets.map((set) => `${set.position} ${set.value}`).join()}`
      return plain.size !== plain.add(text).size
    })
    here[place] = all
    return all
  }
  const values = new Int32Array(sizes.length)
  const digits = new Int32Array(spans.length)
  const valueAt = (component: number) => values[component]!
  /** Goes through all that the free ones may hold. */
  const choose = (free: readonly number[], n: number, go: () => void): void => {
    if (n === free.length) return go()
    const component = free[n]!
    const at = position.get(component)
    for (let value = 0; value < sizes[component]!; value++) {
      if (at !== undefined && digit(at, value) !== digits[at]) continue
      values[component] = value
      choose(free, n + 1, go)
    }
  }
  const follow: Lens['follow'] = (state, meet) => {
    const place = Math.floor(state / width)
    const row = state - place * width
    for (let n = 0; n < spans.length; n++) {
      digits[n] = Math.floor(row / weights[n]!) % spans[n]!
      if (n < kept.length) values[kept[n]!] = digits[n]!
    }
    for (const { move, sets, effects, jump, free } of at(place)) {
      let set = row
      for (const one of sets) set += (one.value - digits[one.position]!) * weights[one.position]!
      const go = () => {
        let next = set
        for (const { table, position: n } of effects) {
          const value = table.table[rowOf(table, sizes, valueAt)]!
          if (value !== LEFT) next += (digit(n, value) - digits[n]!) * weights[n]!
        }
        const to = jump ? jump.table[rowOf(jump, sizes, valueAt)]! : LEFT
        meet((to === LEFT ? place : to) * width + next, move)
      }
      if (free.length === 0) go()
      else choose(free, 0, go)
    }
  }
  const after: Lens['after'] = (place, before, meet) => {
    for (let n = 0; n < kept.length; n++) values[kept[n]!] = before[n]!
    for (const { move, sets, effects, jump } of at(place)) {
      const next = before.slice()
      for (const one of sets) next[one.position] = one.value
      for (const { table, position: n } of effects) {
        const value = table.table[rowOf(table, sizes, valueAt)]!
        if (value !== LEFT) next[n] = value
      }
      const to = jump ? jump.table[rowOf(jump, sizes, valueAt)]! : LEFT
      meet(to === LEFT ? place : to, next, move)
    }
  }
  return { width, follow, after }
}

interface Places {
  /** By component the moves that touch it, by place. */
  readonly touching: readonly ReadonlyMap<number, readonly MachineMove[]>[]
  /** By place the moves that lead elsewhere. */
  readonly jumping: readonly (readonly MachineMove[])[]
}

const known = new WeakMap<Machine, Places>()

function placesOf(machine: Machine): Places {
  let places = known.get(machine)
  if (places) return places
  const touching = machine.sizes.map(() => new Map<number, MachineMove[]>())
  machine.moves.forEach((here, place) => {
    for (const move of here)
      for (const { component } of move.effects) {
        const all = touching[component]!.get(place)
        if (all) all.push(move)
        else touching[component]!.set(place, [move])
      }
  })
  const jumping = machine.moves.map((here, place) =>
    here.filter(({ jump }) => jump?.table.some((to) => to !== LEFT && to !== place)),
  )
  known.set(machine, (places = { touching, jumping }))
  return places
}
