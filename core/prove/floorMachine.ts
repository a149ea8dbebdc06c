import type { Effect, Machine, MachineMove } from '#core/explore'
import { perTables, FLOOR_TABLES, type Rig, type Footswitch } from '#core/rig'
import {
  type FloorState,
  type StepResult,
  isTimeless,
  stepCalmly,
  isSeenPlainly,
  switchPlan,
  type Op,
  type SwitchPlan,
} from '#core/simulate'
import { dependenceOf, losesAnything, type Dependence } from './dependence'
import { tableOf } from './tables'
import {
  AS_IT_WAS,
  Domains,
  isOpen,
  keptRows,
  keyOf,
  missingRows,
  rowsTogether,
  sameReads,
  targetOf,
  valueKey,
  widen,
  type Outcome,
  type Target,
} from './targets'
import { makeMove, movesAt, restingStart, type CalmMove } from './moves'
import {
  floorOf,
  goesBack,
  LEFT_DONE,
  leftValue,
  partOf,
  partsBehind,
  placeOf,
  touchedBy,
  turningSwitch,
  type Part,
  type PartValue,
} from './parts'

/** A floor as a machine: what a foot can do at each place, and what each of it makes of each part, worked out once. */
export interface FloorMachine {
  readonly machine: Machine
  /** Bank, layer and foot, by place: as {@link placeOf} writes them. */
  readonly places: readonly string[]
  /** Bank and layer of each place. */
  readonly spots: readonly string[]
  /** By place the first one of the same bank and layer. */
  readonly spotOf: readonly number[]
  /** By component the part it stands for. */
  readonly partAt: readonly Part[]
  readonly indexOf: ReadonlyMap<Part, number>
  /** By part what its values stand for. */
  readonly values: readonly (readonly PartValue[])[]
  readonly labels: ReadonlyMap<MachineMove, Label>
  /** Parts that would take too many values, or hang on too many, to be looked at. */
  readonly beyond: ReadonlySet<Part>
  /** Moves that do something to those: not all they do is in their tables. */
  readonly blurred: ReadonlySet<MachineMove>
  /** There may be more places than these: a switch that travels is not seen plainly. */
  readonly isPartial: boolean
}

/** What a move of the machine is to a foot. */
export interface Label {
  readonly move: CalmMove
  /** Null for turning banks. */
  readonly footswitch: Footswitch | null
}

/** What a part is put to while something is done that does not go by it: what is still so afterwards was left alone. */
const MARKERS: { readonly [kind: string]: PartValue } = { B: 127 * 128 + 127, d: LEFT_DONE }
const markerOf = (part: Part): PartValue => MARKERS[part[0]!] ?? leftValue(part)

/** One thing done, at one place or at any, as far as it was looked at. */
interface Command {
  readonly label: Label
  /** Where it is made; for one that leads nowhere any place where it can be. */
  readonly place: string
  readonly targets: readonly Target[]
  /** Where it leads, by what it hangs on; null for one that leads nowhere. */
  readonly goes: Target | null
  /** It can be looked at without time: `calmly.ts`. */
  readonly isTimeless: boolean
}

/**
 * Every calm move of a foot at every place it can come to, and what it makes of every part of the floor, as tables. What a
 * move does is simulated, never worked out a second time: once for each way in which what it goes by can be, many parts
 * at a time. Values are those that some move or power-on can bring about when all else may be anything.
 */
export const floorMachine = perTables(FLOOR_TABLES, (rig: Rig): FloorMachine => {
  const start = restingStart(rig)
  const domains = new Domains()
  const beyond = new Set<Part>()
  let isPartial = false
  const dependences = new Map<Footswitch | null, Dependence>()
  const dependence = (footswitch: Footswitch | null) => {
    let one = dependences.get(footswitch)
    if (!one) {
      one = dependenceOf(rig, footswitch ?? turningSwitch(rig))
      dependences.set(footswitch, one)
      const all = [...one.touches].flatMap(([part, reads]) => [part, ...reads])
      for (const part of [...all, ...one.asked]) domains.put(part, partOf(start, part))
      if (footswitch && !isSeenPlainly(rig, footswitch)) {
        for (const part of one.touches.keys()) beyond.add(part)
        isPartial ||= one.goes
      }
    }
    return one
  }
  const places: string[] = []
  const placeIndex = new Map<string, number>()
  const placed = (place: string) => {
    let n = placeIndex.get(place)
    if (n === undefined) {
      placeIndex.set(place, (n = places.length))
      places.push(place)
    }
    return n
  }
  const startPlace = placed(placeOf(rig, start))
  const shared = new Map<string, Command>()
  const here: Command[][] = []
  /** Makes a command known for what its parts can be by now; whether anything new came of it. */
  const complete = (command: Command): boolean => {
    const { targets, goes } = command
    const open = [...(goes ? [goes] : []), ...targets].filter((target) => isOpen(target, domains, beyond))
    let isNew = false
    const learn = ({ part, reads, known, kept }: Target, values: readonly PartValue[], value: Outcome) => {
      known.set(keyOf(reads.map((read, n) => domains.of(read).index.get(values[n])!)), value)
      kept?.set(valueKey(values), value)
      if (part !== null && value !== AS_IT_WAS && domains.put(part, value)) isNew = true
    }
    for (const target of open)
      if (target.kept && target.wide === null)
        for (const row of missingRows(target, domains)) {
          const key = valueKey(row)
          if (target.kept.has(key)) learn(target, row, target.kept.get(key))
        }
    const look = (
      given: ReadonlyMap<Part, PartValue>,
      looked: readonly Target[],
      plan: SwitchPlan['positions'] | null,
      alone: Target | null,
    ) => {
      const { state, wire } = simulated(rig, command, given, plan ? looked : targets, plan)
      if (alone?.wide && wire.some(({ lostBy }) => lostBy.some((id) => id === alone.part!.split('/')[1]))) {
        widen(alone)
        return
      }
      for (const target of looked) {
        const { part, reads, known, wide } = target
        if ((wide && target !== alone) || !reads.every((read) => given.has(read))) continue
        const key = keyOf(reads.map((read) => domains.of(read).index.get(given.get(read))!))
        if (known.has(key)) continue
        const value = outcome(rig, state, part, given)
        // What was put there for the sake of others and is so still, may have been left alone or put there again.
        if (value === AS_IT_WAS && part !== null && given.has(part) && !reads.includes(part)) continue
        learn(
          target,
          reads.map((read) => given.get(read)),
          value,
        )
      }
    }
    const calm = open.filter(({ wide }) => wide === null)
    for (const group of command.isTimeless ? sameReads(calm) : [calm]) {
      const rows = group.map((target) => ({ reads: target.reads, rows: missingRows(target, domains) }))
      const plan = command.isTimeless ? planFor(rig, command, group) : null
      for (const given of rowsTogether(rows)) look(given, group, plan, null)
    }
    for (let n = 0; n < open.length; n++) {
      const target = open[n]!
      for (const row of missingRows(target, domains)) {
        const wasWide = target.wide !== null
        look(new Map(target.reads.map((read, n_) => [read, row[n_]])), open, null, target)
        // A message was lost: when it comes counts as well, and the rows are others.
        if (wasWide && target.wide === null) {
          if (isOpen(target, domains, beyond)) n--
          break
        }
      }
    }
    // In an order that does not hang on which rows were known before.
    if (goes) for (const to of [...goes.known.values()].map(String).sort()) placed(to)
    return isNew
  }
  for (let n = 0; n < places.length; n++) {
    const place = places[n]!
    here[n] = movesAt(rig, floorOf(rig, place, new Map())).map((label) => {
      const { move, footswitch } = label
      const { touches, goes, turn, asked, overlaps } = dependence(footswitch)
      const isThere = goes || move.kind === 'down' || move.kind === 'up' || move.kind === 'bank'
      const key = `${move.kind} ${footswitch?.id}`
      const known = isThere ? undefined : shared.get(key)
      if (known) return known
      const rows = footswitch && keptRows(rig, footswitch)
      const keptFor = (part: Part | null, reads: Iterable<Part>): Target['kept'] => {
        // Which other switches are turned hangs on their rows.
        if (!rows || (part !== null && 'nd'.includes(part[0]!) && !part.endsWith(`/${footswitch.id}`)))
          return null
        const where = `${move.kind} ${isThere ? `${place} ${goesBack(rig)}` : ''} ${part} ${[...reads].sort().join(' ')}`
        let kept = rows.get(where)
        if (!kept) rows.set(where, (kept = new Map()))
        return kept
      }
      const command: Command = {
        label,
        place,
        targets: [...touches].map(([part, reads]) => {
          const more = losesAnything(rig, part) ? [...asked].filter((one) => !reads.has(one)) : []
          const all = [...reads, ...more]
          if (overlaps) return targetOf(part, all, null, keptFor(part, all))
          return targetOf(
            part,
            reads,
            more.length > 0 ? all : null,
            more.length > 0 ? null : keptFor(part, reads),
          )
        }),
        goes: isThere ? targetOf(null, turn ? [turn] : [], null, keptFor(null, [])) : null,
        isTimeless:
          move.kind === 'press' &&
          footswitch !== null &&
          isTimeless(rig, footswitch) &&
          ![...touches.keys()].some((part) => losesAnything(rig, part)),
      }
      if (!isThere) shared.set(key, command)
      complete(command)
      return command
    })
  }
  const commands = [...new Set(here.flat())]
  for (let isNew = true; isNew;) {
    isNew = false
    for (const command of commands) if (complete(command)) isNew = true
  }
  if (isPartial) for (const part of domains.parts()) beyond.add(part)
  // What hangs on something that was not looked at to the end was not either.
  for (let isGrowing = true; isGrowing;) {
    isGrowing = false
    for (const { targets } of commands)
      for (const { part, reads } of targets)
        if (!beyond.has(part!) && reads.some((read) => beyond.has(read))) {
          beyond.add(part!)
          isGrowing = true
        }
  }
  return assembled(rig, { start, startPlace, places, placeIndex, here, commands, domains, beyond, isPartial })
})

/** What of a timeless command has a say in some of its targets. */
function planFor(rig: Rig, { label }: Command, only: readonly Target[]): SwitchPlan['positions'] {
  const parts = new Set(only.flatMap(({ part, reads }) => [part!, ...reads]))
  const { positions } = switchPlan(rig, label.footswitch!)
  // What decides on the device what a message does has a say too, also where the list itself has put it there just before.
  for (let size = -1; size !== parts.size;) {
    size = parts.size
    for (const op of positions.flat())
      for (const part of touchedBy(rig, op))
        if (parts.has(part)) for (const behind of partsBehind(rig, op, part)) parts.add(behind)
  }
  const counts = (op: Op) => op.kind === 'ask' || touchedBy(rig, op).some((part) => parts.has(part))
  return positions.map((ops) => ops.filter(counts))
}

/** `plan`: what of it is done, without time; null for all of it, as the floor does it. */
function simulated(
  rig: Rig,
  { place, label }: Command,
  given: ReadonlyMap<Part, PartValue>,
  targets: readonly Target[],
  plan: SwitchPlan['positions'] | null,
): { readonly state: FloorState; readonly wire: StepResult['wire'] } {
  const floor = new Map(given)
  for (const { part } of targets)
    if (part !== null && part[0]! in MARKERS && !floor.has(part)) floor.set(part, markerOf(part))
  const state = floorOf(rig, place, floor)
  return plan
    ? { state: { ...state, ...stepCalmly(rig, state, label.footswitch!, plan) }, wire: [] }
    : makeMove(rig, state, label.move, label.footswitch)
}

function outcome(rig: Rig, state: FloorState, part: Part | null, given: ReadonlyMap<Part, PartValue>) {
  if (part === null) return placeOf(rig, state)
  const value = partOf(state, part)
  return value === (given.has(part) ? given.get(part) : markerOf(part)) ? AS_IT_WAS : value
}

interface Gathered {
  readonly start: FloorState
  readonly startPlace: number
  readonly places: readonly string[]
  readonly placeIndex: ReadonlyMap<string, number>
  readonly here: readonly (readonly Command[])[]
  readonly commands: readonly Command[]
  readonly domains: Domains
  readonly beyond: ReadonlySet<Part>
  readonly isPartial: boolean
}

function assembled(
  rig: Rig,
  { start, startPlace, places, placeIndex, here, commands, domains, beyond, isPartial }: Gathered,
): FloorMachine {
  const parts = domains.parts()
  const indexOf = new Map(parts.map((part, n) => [part, n]))
  const values = parts.map((part) => domains.of(part).values)
  const sizes = values.map((all) => all.length)
  const spots = places.map((place) => JSON.parse(place).slice(0, 2).join(' ') as string)
  const labels = new Map<MachineMove, Label>()
  const blurred = new Set<MachineMove>()
  const moves = new Map<Command, MachineMove>()
  for (const command of commands) {
    const { goes, label } = command
    const effects = command.targets.flatMap((target): Effect[] => {
      if (beyond.has(target.part!)) return []
      const domain = domains.of(target.part!)
      const table = tableOf(target, domains, indexOf, (value) => domain.index.get(value as PartValue)!)
      return table ? [{ component: indexOf.get(target.part!)!, ...table }] : []
    })
    const jump = goes && tableOf(goes, domains, indexOf, (value) => placeIndex.get(value as string)!)
    const move: MachineMove = { effects, jump: jump ?? null }
    moves.set(command, move)
    labels.set(move, label)
    if (command.targets.some(({ part }) => beyond.has(part!))) blurred.add(move)
  }
  return {
    machine: {
      sizes,
      moves: here.map((all) => all.map((command) => moves.get(command)!)),
      start: {
        place: startPlace,
        values: parts.map((part) => domains.of(part).index.get(partOf(start, part))!),
      },
    },
    places,
    spots,
    spotOf: spots.map((spot) => spots.indexOf(spot)),
    partAt: parts,
    indexOf,
    values,
    labels,
    beyond,
    blurred,
    isPartial,
  }
}
