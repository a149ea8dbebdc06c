import type { Rig } from '../rig/rig'
import type { Footswitch } from '../rig/table/switch'
import type { FloorState } from '../simulate/floor'
import { makeMove, movesAt, restingStart, type Move } from './moves'
import {
  floorOf,
  LEFT_DONE,
  leftValue,
  partOf,
  placeOf,
  switchParts,
  turningParts,
  type Part,
  type PartValue,
} from './parts'

/** What a search comes to: the fewest moves, that there are none, or that it was given up before all was seen. */
export type Found =
  | { readonly kind: 'run'; readonly moves: readonly Move[] }
  | { readonly kind: 'none' }
  | { readonly kind: 'unknown' }

interface Node {
  readonly place: string
  readonly values: readonly PartValue[]
  readonly from: Node | null
  readonly move: Move | null
}

/** What one move does to the parts looked at. */
interface Effect {
  /** Null where the foot stays in its bank, layer, and where it is. */
  readonly place: string | null
  readonly writes: readonly (readonly [index: number, value: PartValue])[]
}

/** More floors than this are not looked at for one question. */
const NODES_MAX = 1_500

/**
 * The fewest calm moves from power-on to a floor for which `isWanted`, among floors told apart by where the foot is and
 * by the parts given, which must be closed. Breadth first: the first one met is reached by the fewest moves. What a move
 * does is simulated once for each state of the parts it asks for. Sounds other than those given are all one.
 */
export function fewestMoves(
  rig: Rig,
  parts: readonly Part[],
  isWanted: (state: FloorState) => boolean,
  sounds: ReadonlySet<string> = new Set(),
): Found {
  const effects = new Map<string, Effect>()
  const readings = new Map<Footswitch | null, Reading>()
  const moves = new Map<string, ReturnType<typeof movesAt>>()
  const ours = new Set(parts)
  const start = restingStart(rig)
  const first: Node = {
    place: placeOf(rig, start),
    values: parts.map((part) => valueOf(start, part, sounds)),
    from: null,
    move: null,
  }
  const floor = ({ place, values }: Node) =>
    floorOf(rig, place, new Map(parts.map((part, n) => [part, values[n]])))
  const keyOf = ({ place, values }: Node) => `${place} ${values.join()}`
  const seen = new Set([keyOf(first)])
  // What is wanted hangs on the parts, and on bank and layer.
  const asked = new Map<string, boolean>()
  const here = new Map<string, string>()
  const isThere = (node: Node): boolean => {
    let spot = here.get(node.place)
    if (spot === undefined) here.set(node.place, (spot = JSON.parse(node.place).slice(0, 2).join(' ')))
    const key = `${spot} ${node.values.join()}`
    let answer = asked.get(key)
    if (answer === undefined) asked.set(key, (answer = isWanted(floor(node))))
    return answer
  }
  let queue = [first]
  if (isThere(first)) return { kind: 'run', moves: [] }
  while (queue.length > 0) {
    const next: Node[] = []
    for (const node of queue) {
      let possible = moves.get(node.place)
      if (!possible) moves.set(node.place, (possible = relevantMoves(rig, floor(node), ours)))
      for (const { move, footswitch } of possible) {
        let reading = readings.get(footswitch)
        if (!reading) readings.set(footswitch, (reading = readingOf(rig, parts, footswitch)))
        const effect = effectOf(rig, parts, node, move, footswitch, reading, effects, sounds)
        const after = done(node, move, effect)
        const key = keyOf(after)
        if (seen.has(key)) continue
        seen.add(key)
        if (isThere(after)) return { kind: 'run', moves: path(after) }
        next.push(after)
      }
    }
    if (seen.size > NODES_MAX) return { kind: 'unknown' }
    queue = next
  }
  return { kind: 'none' }
}

/** Moves that change where the foot is, or something that is looked at. */
const relevantMoves = (rig: Rig, state: FloorState, parts: ReadonlySet<Part>) =>
  movesAt(rig, state).filter(({ move, footswitch }) => {
    if (!footswitch || move.kind === 'up') return true
    const { touches, goes, asksAll } = switchParts(rig, footswitch)
    return goes || asksAll || [...parts].some((part) => touches.has(part))
  })

function done(node: Node, move: Move, { place, writes }: Effect): Node {
  const values = writes.length === 0 ? node.values : [...node.values]
  for (const [n, value] of writes) (values as PartValue[])[n] = value
  return { place: place ?? node.place, values, from: node, move }
}

/** Which of the parts looked at a move goes by, and whether it leads elsewhere. */
interface Reading {
  readonly reads: readonly number[]
  readonly goes: boolean
}

function readingOf(rig: Rig, parts: readonly Part[], footswitch: Footswitch | null): Reading {
  const { reads, goes, asksAll } = footswitch ? switchParts(rig, footswitch) : turningParts(rig)
  return { reads: parts.flatMap((part, n) => (asksAll || reads.has(part) ? [n] : [])), goes }
}

function effectOf(
  rig: Rig,
  parts: readonly Part[],
  node: Node,
  move: Move,
  footswitch: Footswitch | null,
  { reads, goes }: Reading,
  effects: Map<string, Effect>,
  sounds: ReadonlySet<string>,
): Effect {
  // A foot that comes down, goes off or travels does so where it is.
  const isThere = goes || move.kind === 'down' || move.kind === 'up' || move.kind === 'bank'
  const read = reads.map((n) => node.values[n])
  const key = `${footswitch?.id} ${move.kind === 'bank' ? move.by : move.kind} ${isThere ? node.place : ''} ${read.join()}`
  let effect = effects.get(key)
  if (effect) return effect
  const given = new Map<Part, PartValue>(reads.map((n) => [parts[n]!, node.values[n]]))
  for (const part of parts) if (part[0] === 'd' && !given.has(part)) given.set(part, LEFT_DONE)
  const { state } = makeMove(rig, floorOf(rig, node.place, given), move, footswitch)
  const writes: [number, PartValue][] = []
  parts.forEach((part, n) => {
    const value = valueOf(state, part, sounds)
    // What is as it was put in, or as nothing was put in, has been left alone.
    if (value !== (given.has(part) ? given.get(part) : leftValue(part))) writes.push([n, value])
  })
  const place = placeOf(rig, state)
  effect = { place: isThere && place !== node.place ? place : null, writes }
  effects.set(key, effect)
  return effect
}

/** Nothing goes by which sound was last: one of others is as good as another. */
function valueOf(state: FloorState, part: Part, sounds: ReadonlySet<string>): PartValue {
  const value = partOf(state, part)
  return part !== 'S' || value === undefined || value === leftValue(part) || sounds.has(String(value))
    ? value
    : 'another'
}

function path(node: Node): Move[] {
  const moves: Move[] = []
  for (let at: Node | null = node; at?.move; at = at.from) moves.push(at.move)
  return moves.reverse()
}
