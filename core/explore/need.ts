import { LEFT, movesOn, type Effect, type Machine, type MachineMove } from './machine'

/** Something that is so of one component in every state that is wanted, though not only there. */
export interface Need {
  readonly component: number
  /** By value. */
  readonly isMet: readonly boolean[]
}

/**
 * Whether it is plain that as long as one need is met another is too: it is so at the start, each move that may bring the
 * first about brings the second about, and each that may undo the second undoes the first (an invariant that is inductive
 * by itself). False says nothing: it may be so all the same.
 */
export function isAlways(machine: Machine, need: Need, then: Need): boolean {
  const isMet = ({ component, isMet: met }: Need) => met[machine.start.values[component]!]!
  if (isMet(need) && !isMet(then)) return false
  return (
    bringing(machine, need).every((move) => surely(on(move, then), then, true)) &&
    movesOn(machine)[then.component]!.every(
      (move) => !mayPut(on(move, then)!, then, false) || surely(on(move, need), need, false),
    )
  )
}

const on = ({ effects }: MachineMove, { component }: Need): Effect | undefined =>
  effects.find((effect) => effect.component === component)

/** Whether an effect may put a component where a need is met, or is not. */
const mayPut = ({ table }: Effect, { isMet }: Need, met: boolean): boolean =>
  table.some((value) => value !== LEFT && isMet[value] === met)

/** Whether it surely does, whatever was so before. */
const surely = (effect: Effect | undefined, { isMet }: Need, met: boolean): boolean =>
  effect?.table.every((value) => value !== LEFT && isMet[value] === met) ?? false

const known = new WeakMap<Need, readonly MachineMove[]>()

/** The moves that may meet a need. */
export function bringing(machine: Machine, need: Need): readonly MachineMove[] {
  let all = known.get(need)
  if (!all)
    known.set(
      need,
      (all = movesOn(machine)[need.component]!.filter((move) => mayPut(on(move, need)!, need, true))),
    )
  return all
}
