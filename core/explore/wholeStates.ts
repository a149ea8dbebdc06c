import { LEFT, type Machine, type MachineMove, type State } from './machine'

/** More states than this are not numbered: one bit each is kept, and 2^31 bits are 256 MB. */
const STATES_MAX = 2 ** 31

/** All that a machine can come to. */
export interface Whole {
  /** How many states it can be in. */
  readonly states: number
  /** The fewest moves to each thing that was wanted; null for what cannot come about. */
  readonly runs: readonly (readonly MachineMove[] | null)[]
}

/**
 * Every state a machine can come to, breadth first; null where a machine of that size could be in more than
 * {@link STATES_MAX}. A state is one number, its place and values as digits of their own bases, and one bit says whether
 * it was met. `wanted` are asked of each state met, in the order of how many moves it takes.
 */
export function exploreWhole(
  machine: Machine,
  wanted: readonly ((state: State) => boolean)[] = [],
): Whole | null {
  const { sizes, start } = machine
  const weights: number[] = []
  let size = 1
  for (const values of sizes) {
    weights.push(size)
    size *= values
  }
  const places = machine.moves.length
  if (size * places > STATES_MAX) return null
  const moves = machine.moves.map((here) => here.map((move) => numbered(move, sizes, weights)))
  const met = new Uint32Array(Math.ceil((size * places) / 32))
  const queue = new Growing()
  // Who led to each state and by which move: kept only where a run may be asked for.
  const from = wanted.length > 0 ? new Growing() : null
  const by = wanted.length > 0 ? new Growing() : null
  const runs: (readonly MachineMove[] | null)[] = wanted.map(() => null)
  let open = wanted.length
  const meet = (state: number, before: number, move: number) => {
    const [word, bit] = [state >>> 5, 1 << (state & 31)]
    if ((met[word]! & bit) !== 0) return
    met[word]! |= bit
    queue.push(state)
    from?.push(before)
    by?.push(move)
  }
  const place = (state: number) => Math.floor(state / size)
  const path = (n: number): MachineMove[] => {
    const back: MachineMove[] = []
    for (let at = n; at > 0; at = from!.at(at))
      back.push(machine.moves[place(queue.at(from!.at(at)))]![by!.at(at)]!)
    return back.reverse()
  }
  const digits = new Int32Array(sizes.length)
  meet(start.place * size + start.values.reduce((sum, value, n) => sum + value * weights[n]!, 0), 0, 0)
  for (let n = 0; n < queue.length; n++) {
    const state = queue.at(n)
    const here = place(state)
    let rest = state - here * size
    for (let c = 0; c < sizes.length; c++) {
      digits[c] = rest % sizes[c]!
      rest = (rest - digits[c]!) / sizes[c]!
    }
    if (open > 0)
      wanted.forEach((isWanted, w) => {
        if (runs[w] !== null || !isWanted({ place: here, values: [...digits] })) return
        runs[w] = path(n)
        open--
      })
    const ours = moves[here]!
    for (let m = 0; m < ours.length; m++) meet(after(state, here, digits, ours[m]!, size), n, m)
  }
  return { states: queue.length, runs }
}

/** A move as numbers alone. */
interface Numbered {
  readonly effects: readonly {
    readonly component: number
    readonly weight: number
    readonly reads: Int32Array
    readonly strides: Int32Array
    readonly table: Int32Array
  }[]
  readonly jump: {
    readonly reads: Int32Array
    readonly strides: Int32Array
    readonly table: Int32Array
  } | null
}

function numbered(
  { effects, jump }: MachineMove,
  sizes: readonly number[],
  weights: readonly number[],
): Numbered {
  const strides = (reads: readonly number[]) => {
    const all = new Int32Array(reads.length)
    for (let n = reads.length - 1, stride = 1; n >= 0; n--) {
      all[n] = stride
      stride *= sizes[reads[n]!]!
    }
    return all
  }
  return {
    effects: effects.map(({ component, reads, table }) => ({
      component,
      weight: weights[component]!,
      reads: Int32Array.from(reads),
      strides: strides(reads),
      table,
    })),
    jump: jump && { reads: Int32Array.from(jump.reads), strides: strides(jump.reads), table: jump.table },
  }
}

function after(
  state: number,
  here: number,
  digits: Int32Array,
  { effects, jump }: Numbered,
  size: number,
): number {
  let next = state
  for (const { component, weight, reads, strides, table } of effects) {
    let row = 0
    for (let n = 0; n < reads.length; n++) row += digits[reads[n]!]! * strides[n]!
    const value = table[row]!
    if (value !== LEFT) next += (value - digits[component]!) * weight
  }
  if (jump === null) return next
  let row = 0
  for (let n = 0; n < jump.reads.length; n++) row += digits[jump.reads[n]!]! * jump.strides[n]!
  const to = jump.table[row]!
  return to === LEFT ? next : next + (to - here) * size
}

/** A list of whole numbers below 2^32 that grows. */
class Growing {
  #all = new Uint32Array(1024)
  length = 0

  push(value: number): void {
    if (this.length === this.#all.length) {
      const more = new Uint32Array(this.length * 2)
      more.set(this.#all)
      this.#all = more
    }
    this.#all[this.length++] = value
  }

  at(n: number): number {
    return this.#all[n]!
  }
}
