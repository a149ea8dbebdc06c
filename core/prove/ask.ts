import {
  coneOf,
  placeless,
  type Machine,
  type MachineMove,
  type State,
  project,
  type Projection,
  isAlways,
  type Need,
  refinedRun,
  type Budget,
  type Found,
} from '#core/explore'
import type { Rig } from '#core/rig'
import type { FloorState } from '#core/simulate'
import type { FloorMachine, Label } from './floorMachine'
import { restingStart } from './moves'
import type { NotProven } from './proved'
import { floorOf, partOf, type Part, type PartValue } from './parts'

/** Positions of switches that also travel are part of where a foot is: as long as they are no more ways than this. */
const WAYS_MAX = 4096

/** What a floor has at a part, in a state of its machine or of a projection. */
export type ValueAt = (part: Part) => PartValue

/** Something that may come about on a floor. */
export interface Question {
  /** Parts it is looked at through: the fewer, the sooner; where these cannot be so, it cannot come about. */
  readonly through: readonly Part[]
  /** All parts that decide it, with those. */
  readonly asked: readonly Part[]
  /** Whether it may be so, going by `through` alone; never no where it is so. Of a place, bank and layer count. */
  readonly mayBe: (place: number, valueAt: ValueAt) => boolean
  readonly isSo: (place: number, valueAt: ValueAt) => boolean
  /** What is so of single parts wherever it is so: tells the more apart the rarer it is. */
  readonly needs?: readonly PartNeed[]
  /** Runs of as many moves or more are not asked for. */
  readonly below?: number
  /** What is left to look through, where several questions share it. */
  readonly budget?: Budget
  /** More of a place counts than bank and layer. */
  readonly isPlaced?: boolean
  /** Whether it may be so does not hang on the place. */
  readonly isAnywhere?: boolean
}

/** Of one floor. */
export interface PartNeed {
  readonly part: Part
  readonly isMet: (value: PartValue) => boolean
}

/** The fewest calm moves after which it is so. */
export type Answer =
  | { readonly kind: 'run'; readonly labels: readonly Label[] }
  | { readonly kind: 'never' }
  /** It does not come about with fewer moves than `atLeast`. */
  | { readonly kind: 'unknown'; readonly why: NotProven; readonly atLeast: number }

/** So many states are looked through at most for one question, or for several that belong together; and at least. */
const STATES_MAX = 300_000
const STATES_MIN = 2_000
/** Of so many that may all be hard each is given the most that there is. */
const GENEROUS = 60

/** `among`: how many have to be answered. Of many each is given the less, so that all take no longer than those of a small rig. */
export const fullBudget = (among = 1): Budget => ({
  states: Math.max(STATES_MIN, STATES_MAX * Math.min(1, GENEROUS / among) ** 2),
})

export function fewest(
  rig: Rig,
  floor: FloorMachine,
  {
    through,
    asked,
    mayBe,
    isSo,
    needs = [],
    below,
    budget = fullBudget(),
    isPlaced = false,
    isAnywhere = false,
  }: Question,
): Answer {
  const { machine, indexOf, beyond, labels } = floor
  if ([...through, ...asked].some((part) => beyond.has(part)))
    return { kind: 'unknown', why: 'beyond', atLeast: 0 }
  const projection = seenThrough(floor, through)
  if (!projection) return { kind: 'unknown', why: 'tooMany', atLeast: 0 }
  // What nothing changes is met from the first or never.
  if (needs.some(({ part, isMet }) => !indexOf.has(part) && !isMet(partOf(restingStart(rig), part))))
    return { kind: 'never' }
  const components = [...new Set([...through, ...asked].flatMap((part) => indexOf.get(part) ?? []))]
  const answers = new Map<string, boolean>()
  const isTrue = (place: number, at: (component: number) => number, valueAt: ValueAt) => {
    const key = components.reduce(
      (text, component) => `${text},${at(component)}`,
      isPlaced ? String(place) : floor.spots[place]!,
    )
    let answer = answers.get(key)
    if (answer === undefined) answers.set(key, (answer = isSo(place, valueAt)))
    return answer
  }
  // Where all that decides it is looked at, only what is so is a goal.
  const isWhole = components.every((component) => projection.kept.includes(component))
  const counts = isPlaced ? 'place' : isAnywhere && !isWhole ? 'nothing' : 'spot'
  const wanted = new Set<number>()
  eachWay(rig, floor, projection, counts, (way, place, valueAt, at) => {
    if (mayBe(place, valueAt) && (!isWhole || isTrue(place, at, valueAt))) wanted.add(way)
  })
  const wayOf = wayIn(floor, projection, counts)
  const goals =
    wanted.size === 0 ? [] : projection.met.flatMap((state, n) => (wanted.has(wayOf(state)) ? [n] : []))
  const isThere = ({ place, values }: State) => {
    const at = (component: number) => values[component]!
    return isTrue(place, at, valuesOf(rig, floor, at))
  }
  const told = needs
    .flatMap((need) => needIn(floor, need) ?? [])
    .filter(({ component }) => !projection.kept.includes(component))
  return answered(refinedRun(machine, projection, goals, told, components, isThere, budget, below), labels)
}

const needsIn = new WeakMap<PartNeed, Need>()

/** The same of the machine; null where nothing changes it. */
function needIn({ indexOf, values }: FloorMachine, need: PartNeed): Need | null {
  const component = indexOf.get(need.part)
  if (component === undefined) return null
  let one = needsIn.get(need)
  if (!one) needsIn.set(need, (one = { component, isMet: values[component]!.map(need.isMet) }))
  return one
}

/** Whether it is plain that one is met as long as the other is. False says nothing. */
export function isPlainlyAlways(floor: FloorMachine, need: PartNeed, then: PartNeed): boolean {
  if (floor.beyond.has(need.part) || floor.beyond.has(then.part)) return false
  const [a, b] = [needIn(floor, need), needIn(floor, then)]
  return a !== null && b !== null && isAlways(floor.machine, a, b)
}

/** Whether something that may come about by some parts alone, wherever the foot is, surely does not. */
export function isNever(
  rig: Rig,
  floor: FloorMachine,
  through: readonly Part[],
  mayBe: (valueAt: ValueAt) => boolean,
): boolean {
  if (through.some((part) => floor.beyond.has(part))) return false
  const projection = anywhereThrough(floor, through)
  if (!projection) return false
  let isThere = false
  eachWay(rig, floor, projection, 'nothing', (_, __, valueAt) => {
    isThere ||= mayBe(valueAt)
  })
  return !isThere
}

function answered(found: Found, labels: ReadonlyMap<MachineMove, Label>): Answer {
  if (found.kind === 'unknown') return { ...found, why: 'tooMany' }
  return found.kind === 'run' ? { kind: 'run', labels: found.moves.map((move) => labels.get(move)!) } : found
}

/** What is at a part that nothing changes is what power-on left there. */
function valuesOf(rig: Rig, { indexOf, values }: FloorMachine, at: (component: number) => number): ValueAt {
  return (part) => {
    const component = indexOf.get(part)
    return component === undefined ? partOf(restingStart(rig), part) : values[component]![at(component)]
  }
}

/** What of the place tells two abstract states apart: all of it, bank and layer, or nothing. */
type Counts = 'place' | 'spot' | 'nothing'

const wayIn =
  ({ spotOf }: FloorMachine, { width }: Projection, counts: Counts) =>
  (state: number): number => {
    if (counts === 'place') return state
    const row = state % width
    return counts === 'nothing' ? row : spotOf[Math.floor(state / width)]! * width + row
  }

/**
 * Each way in which the parts looked at can be, as far as places count, the nearest first: its number, the place where it is
 * met first, and what the parts hold. Ways are few, however many states there are.
 */
export function eachWay(
  rig: Rig,
  floor: FloorMachine,
  projection: Projection,
  counts: Counts,
  look: (way: number, place: number, valueAt: ValueAt, at: (component: number) => number) => void,
): void {
  const { width, kept } = projection
  const { sizes } = floor.machine
  const at = new Int32Array(sizes.length)
  const isKept = new Set(kept)
  const numberAt = (component: number) => {
    if (!isKept.has(component)) throw new Error(`${floor.partAt[component]} is not looked at`)
    return at[component]!
  }
  const valueAt = valuesOf(rig, floor, numberAt)
  const wayOf = wayIn(floor, projection, counts)
  for (const state of firstOfWays(projection, counts, wayOf)) {
    let rest = state % width
    for (let n = kept.length - 1; n >= 0; n--) {
      const size = sizes[kept[n]!]!
      at[kept[n]!] = rest % size
      rest = Math.floor(rest / size)
    }
    look(wayOf(state), Math.floor(state / width), valueAt, numberAt)
  }
}

const firsts = new WeakMap<Projection, Map<Counts, readonly number[]>>()

/** The state in which each way is met first. */
function firstOfWays(
  projection: Projection,
  counts: Counts,
  wayOf: (state: number) => number,
): readonly number[] {
  if (counts === 'place') return projection.met
  let all = firsts.get(projection)
  if (!all) firsts.set(projection, (all = new Map()))
  let found = all.get(counts)
  if (!found) {
    const ways = new Set<number>()
    all.set(counts, (found = projection.met.filter((state) => ways.size !== ways.add(wayOf(state)).size)))
  }
  return found
}

/**
 * A floor through some parts and all that decides what becomes of them, but for positions of switches and the place in the
 * show: those can be brought about by stepping, and are taken to be anything.
 */
export const seenThrough = (floor: FloorMachine, parts: readonly Part[]): Projection | null =>
  projected(floor, floor.machine, parts)

/** The same as if every move could be made anywhere. */
const anywhereThrough = (floor: FloorMachine, parts: readonly Part[]): Projection | null =>
  projected(floor, placeless(floor.machine), parts)

function projected(floor: FloorMachine, machine: Machine, parts: readonly Part[]): Projection | null {
  const { indexOf } = floor
  const wanted = [...new Set(parts.flatMap((part) => indexOf.get(part) ?? []))].sort((a, b) => a - b)
  let all = known.get(machine)
  if (!all) known.set(machine, (all = { projections: new Map(), states: 0 }))
  const key = wanted.join()
  let projection = all.projections.get(key)
  if (projection === undefined) {
    projection = project(machine, coneOf(machine, wanted, freeOf(floor)))
    all.states += projection?.met.length ?? 0
    // Those of a large rig would fill the memory: all are let go of, and what is asked for again is made again.
    if (all.states > STATES_KEPT) {
      all.projections.clear()
      all.states = projection?.met.length ?? 0
    }
    all.projections.set(key, projection)
  }
  return projection
}

/** So many abstract states are kept at most: some 40 bytes each. */
const STATES_KEPT = 2_000_000

const known = new WeakMap<Machine, { readonly projections: Map<string, Projection | null>; states: number }>()

const freeKnown = new WeakMap<Machine, (component: number) => boolean>()

function freeOf({ machine, partAt }: FloorMachine): (component: number) => boolean {
  const before = freeKnown.get(machine)
  if (before) return before
  const jumping = new Set([...new Set(machine.moves.flat())].flatMap(({ jump }) => jump?.reads ?? []))
  const ways = [...jumping].reduce((product, component) => product * machine.sizes[component]!, 1)
  const isFree = (component: number) =>
    ('nH'.includes(partAt[component]![0]!) && !jumping.has(component)) ||
    (jumping.has(component) && ways > WAYS_MAX)
  freeKnown.set(machine, isFree)
  return isFree
}

/** A floor of a machine as far as some parts go, to ask of it what can be asked of any floor. */
export const floorAt = (
  rig: Rig,
  { places }: FloorMachine,
  place: number,
  valueAt: ValueAt,
  parts: readonly Part[],
): FloorState => floorOf(rig, places[place]!, new Map(parts.map((part) => [part, valueAt(part)])))
