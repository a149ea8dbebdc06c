import { own } from '#core/base'
import {
  perTables,
  byIndex,
  FLOOR_TABLES,
  type Rig,
  placeKey,
  switchesHere,
  type RunStep,
  isProgrammed,
  type Footswitch,
} from '#core/rig'
import { leadsOf, timingOf } from '#core/switching'
import { joined, type FloorState, type StepResult, advance, settle, startFloor, step } from '#core/simulate'

/**
 * One calm thing a foot does: it waits until all that came of the one before is done. `down` leaves the foot where it
 * is, long enough for a long press; `up` takes it off again.
 */
export type CalmMove =
  | {
      readonly kind: 'press' | 'double' | 'down' | 'up'
      readonly jack: string
      readonly number: number
    }
  /** The controller's own way to the next (1) or previous (-1) bank. */
  | { readonly kind: 'bank'; readonly by: 1 | -1 }

/** How a move is made, as offsets in µs: shorter than any controller takes for a long press or a second press. */
const MOVES: Record<'press' | 'double' | 'down' | 'up', readonly (readonly ['press' | 'release', number])[]> =
  {
    press: [
      ['press', 0],
      ['release', 30_000],
    ],
    double: [
      ['press', 0],
      ['release', 30_000],
      ['press', 60_000],
      ['release', 90_000],
    ],
    down: [['press', 0]],
    up: [['release', 0]],
  }

/** Whether a foot that stays down on a switch does anything that a quick one does not. */
function isHeldWithEffect(rig: Rig, { positions, release, longPress, doublePress }: Footswitch): boolean {
  return (
    release.length > 0 ||
    longPress.length > 0 ||
    [...positions, doublePress].some((actions) => leadsOf(rig, actions).includes('held'))
  )
}

/** The foot that is down, if any; a player has one to keep down while the other steps. */
export const heldFoot = (state: FloorState): string | null =>
  Object.entries(state.feet).find(([, { isDown }]) => isDown)?.[0] ?? null

/** The next bank of the same controller, round at the ends; null where there is no other. */
function bankBeside(rig: Rig, bankId: string | null, by: 1 | -1) {
  const here = own(rig.banks, bankId ?? '')
  const ours = byIndex(rig.banks).filter(({ controllerId }) => controllerId === here?.controllerId)
  return here && ours.length > 1 ? ours.at((ours.indexOf(here) + by) % ours.length)! : null
}

/** All that a foot can do on a floor at rest. Banks are turned by the controller's own switches where it keeps some for that. */
export function movesAt(
  rig: Rig,
  state: FloorState,
): { readonly move: CalmMove; readonly footswitch: Footswitch | null }[] {
  const { bankId, layer } = state.known
  const controller = own(rig.controllers, own(rig.banks, bankId ?? '')?.controllerId ?? '')
  if (bankId === null || !controller) return []
  const held = heldFoot(state)
  const all: { move: CalmMove; footswitch: Footswitch | null }[] = []
  const heldSwitch = own(rig.switches, held ?? '')
  if (heldSwitch) {
    const { jack, number } = heldSwitch
    all.push({ move: { kind: 'up', jack, number }, footswitch: heldSwitch })
  }
  for (const one of switchesHere(rig, bankId, layer).values()) {
    if (!isProgrammed(one) || (heldSwitch && placeKey(one) === placeKey(heldSwitch))) continue
    const { jack, number } = one
    all.push({ move: { kind: 'press', jack, number }, footswitch: one })
    if (timingOf(controller, one).hasDouble)
      all.push({ move: { kind: 'double', jack, number }, footswitch: one })
    if (!heldSwitch && isHeldWithEffect(rig, one))
      all.push({ move: { kind: 'down', jack, number }, footswitch: one })
  }
  if (controller.keepsSwitches >= 2 && bankBeside(rig, bankId, 1))
    for (const by of [1, -1] as const) all.push({ move: { kind: 'bank', by }, footswitch: null })
  return all
}

/** Time passes until nothing is due but ticks of the clock, and all devices hear again. */
export function atRest(rig: Rig, state: FloorState): StepResult {
  const settled = settle(rig, state)
  const until = Math.max(settled.state.at, ...Object.values(settled.state.deafUntil))
  return until === settled.state.at ? settled : joined(settled, advance(rig, settled.state, until))
}

/** The floor at rest after all was switched on. */
export const restingStart = perTables(
  FLOOR_TABLES,
  (rig: Rig): FloorState => atRest(rig, startFloor(rig).state).state,
)

/** A move made and all that comes of it; nothing where the foot finds nothing. `footswitch` is the one it is made on. */
export function makeMove(
  rig: Rig,
  state: FloorState,
  move: CalmMove,
  footswitch: Footswitch | null,
): StepResult {
  if (move.kind === 'bank') {
    const bank = bankBeside(rig, state.known.bankId, move.by)
    const at = state.at
    const gone = step(rig, state, { kind: 'bank', bankId: bank?.id ?? ('' as never), at })
    return joined(gone, atRest(rig, gone.state))
  }
  const { at } = state
  const feet = MOVES[move.kind].map(([kind, after]) => ({ kind, after }))
  let all: StepResult | null = null
  for (const { kind, after } of feet) {
    const done = step(rig, (all?.state ?? state) as FloorState, {
      kind,
      switchId: footswitch?.id ?? ('' as never),
      at: at + after,
    })
    all = all ? joined(all, done) : done
  }
  return joined(all!, atRest(rig, all!.state))
}

/** The switch a move is made on, as the floor is; null where there is none, or it is turning banks. */
export function switchOfMove(rig: Rig, state: FloorState, move: CalmMove): Footswitch | null {
  if (move.kind === 'bank') return null
  if (move.kind === 'up') return own(rig.switches, heldFoot(state) ?? '') ?? null
  const { bankId, layer } = state.known
  return (bankId === null ? undefined : switchesHere(rig, bankId, layer).get(placeKey(move))) ?? null
}

/** Moves one after the other from a floor at rest, with what each came to. */
export function makeMoves(rig: Rig, start: FloorState, moves: readonly CalmMove[]): StepResult[] {
  const results: StepResult[] = []
  for (const move of moves) {
    const now = results.at(-1)?.state ?? start
    results.push(makeMove(rig, now, move, switchOfMove(rig, now, move)))
  }
  return results
}

/** Between two moves, in µs, beyond what the first one takes: time to see. */
const PAUSE = 700_000

/**
 * The same as a run from power-on, at the pace of a player who looks; and how long it is, in µs. `last`: so long the last
 * move follows the one before it, whatever is still under way.
 */
export function stepsOfMoves(
  rig: Rig,
  start: FloorState,
  moves: readonly CalmMove[],
  last: number | null = null,
): { readonly steps: RunStep[]; readonly length: number } {
  const steps: RunStep[] = []
  // The floor at rest after power-on may be later than the moment itself.
  let now = start
  let before = start.at
  moves.forEach((move, n) => {
    const isQuick = last !== null && n > 0 && n === moves.length - 1
    const at = isQuick ? before + last : now.at + PAUSE
    before = at
    if (move.kind === 'bank') {
      const bank = bankBeside(rig, now.known.bankId, move.by)
      if (bank) steps.push({ kind: 'bank', at, index: bank.index })
    } else {
      const { jack, number } = move
      for (const [kind, after] of MOVES[move.kind])
        steps.push({ kind: kind === 'press' ? 'down' : 'up', at: at + after, jack, number })
    }
    const waited = isQuick ? now : advance(rig, now, at).state
    now = makeMove(rig, waited, move, switchOfMove(rig, now, move)).state
  })
  return { steps, length: now.at + PAUSE }
}
