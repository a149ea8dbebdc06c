/**
 * A machine: it is at a place, and has components that each hold one value, counted from 0. At each place it can make some
 * moves. A move puts components to values and leads to a place; to which, may hang on what some components hold before it.
 */
export interface Machine {
  /** How many values each component has. */
  readonly sizes: readonly number[]
  /** The moves at each place. One that is the same at several places is one object. */
  readonly moves: readonly (readonly MachineMove[])[]
  readonly start: State
}

/** Where the machine is, and what each of its components holds, as numbers from 0. */
export interface State {
  readonly place: number
  /** By component. */
  readonly values: readonly number[]
}

/** What can be done at a place: what it makes of the components, and where it leads. */
export interface MachineMove {
  /** At most one for a component. */
  readonly effects: readonly Effect[]
  /** Null where it stays where it is. */
  readonly jump: Table | null
}

/** What a move makes of one component. */
export interface Effect extends Table {
  readonly component: number
}

/** Something that hangs on what some components hold. */
export interface Table {
  readonly reads: readonly number[]
  /** By the values of those, the first counting slowest; {@link LEFT} where all stays as it was. */
  readonly table: Int32Array
}

/** In a table: the component stays as it was. */
export const LEFT = -1

/** The place of a table that some values lead to. `valueAt` is asked for each of the components it reads. */
export function rowOf(
  { reads }: Table,
  sizes: readonly number[],
  valueAt: (component: number) => number,
): number {
  let row = 0
  for (const component of reads) row = row * sizes[component]! + valueAt(component)
  return row
}

/** The state a move leads to. */
export function made({ sizes }: Machine, { place, values }: State, { effects, jump }: MachineMove): State {
  const valueAt = (component: number) => values[component]!
  const after = [...values]
  for (const effect of effects) {
    const value = effect.table[rowOf(effect, sizes, valueAt)]!
    if (value !== LEFT) after[effect.component] = value
  }
  const to = jump ? jump.table[rowOf(jump, sizes, valueAt)]! : LEFT
  return { place: to === LEFT ? place : to, values: after }
}

/**
 * The components that decide what becomes of some, these included: with them and the place, the next state at them is
 * known. `isFree` are not gone into: whatever they hold is taken to be possible.
 */
export function coneOf(
  machine: Machine,
  wanted: Iterable<number>,
  isFree: (component: number) => boolean = () => false,
): readonly number[] {
  const { behind, jumping } = readsOf(machine)
  const cone = new Set(wanted)
  for (const component of jumping) if (!isFree(component)) cone.add(component)
  // A set grows while it is gone through.
  for (const component of cone) for (const read of behind[component]!) if (!isFree(read)) cone.add(read)
  return [...cone].sort((a, b) => a - b)
}

interface Reads {
  /** By component what its changes hang on. */
  readonly behind: readonly ReadonlySet<number>[]
  /** What decides where a move leads. */
  readonly jumping: ReadonlySet<number>
}

const known = new WeakMap<Machine, Reads>()

function readsOf(machine: Machine): Reads {
  let reads = known.get(machine)
  if (reads) return reads
  const behind = machine.sizes.map(() => new Set<number>())
  const jumping = new Set<number>()
  for (const { effects, jump } of new Set(machine.moves.flat())) {
    for (const effect of effects) for (const read of effect.reads) behind[effect.component]!.add(read)
    for (const read of jump?.reads ?? []) jumping.add(read)
  }
  known.set(machine, (reads = { behind, jumping }))
  return reads
}

const moving = new WeakMap<Machine, readonly (readonly MachineMove[])[]>()

/** By component the moves that may change it, each once. */
export function movesOn(machine: Machine): readonly (readonly MachineMove[])[] {
  let all = moving.get(machine)
  if (all) return all
  const made_: MachineMove[][] = machine.sizes.map(() => [])
  for (const move of new Set(machine.moves.flat()))
    for (const { component } of move.effects) made_[component]!.push(move)
  moving.set(machine, (all = made_))
  return all
}

const anywhere = new WeakMap<Machine, Machine>()

/** A machine that can make every move at any time, wherever it is: whatever it never comes to, the machine never comes to. */
export function placeless(machine: Machine): Machine {
  let one = anywhere.get(machine)
  if (one) return one
  const moves = [...new Set(machine.moves.flat())].map(({ effects }): MachineMove => ({
    effects,
    jump: null,
  }))
  one = { sizes: machine.sizes, moves: [moves], start: { ...machine.start, place: 0 } }
  anywhere.set(machine, one)
  return one
}
