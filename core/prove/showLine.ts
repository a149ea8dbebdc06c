import { LEFT, type MachineMove } from '#core/explore'
import { type Rig, playedParts, showOn, type SoundId } from '#core/rig'
import { type FloorState, truth } from '#core/simulate'
import { believed, holds, type Claim } from '#core/switching'
import type { FloorMachine } from './floorMachine'
import { makeMove, movesAt, restingStart, type CalmMove } from './moves'
import { placeOf } from './parts'
import type { Proved, ProofVerdict } from './proved'
import { claimsOfSound } from './soundsLine'

/** What was proven of a sound before: that it comes out from everywhere, that it does not, or neither. */
type SoundSo = 'holds' | 'fails' | 'open'

/** A way to a sound is given up after so many moves. */
const MOVES_MAX = 40

/**
 * Each part of the show that is on: that its sound is there when it has been stepped to, also after one wrong step before. Of
 * a sound that comes out from everywhere that is known; for the others the show is stepped through on the simulated floor, and
 * at each part every wrong step is made.
 */
export function* showLine(
  rig: Rig,
  floor: FloorMachine,
  soundSo: ReadonlyMap<string, SoundSo>,
): Generator<Proved> {
  const show = showOn(rig)
  if (!show) return
  let state = restingStart(rig)
  const made: CalmMove[] = []
  for (const { part, soundId } of playedParts(rig, show)) {
    if (soundId === null) continue
    const about = { table: 'parts', id: part.id } as const
    const say = (verdict: ProofVerdict): Proved => ({ line: 'show', about, verdict })
    const so = soundSo.get(soundId)
    const way = so === undefined ? null : wayToSound(rig, floor, state, soundId)
    if (!way) {
      yield say(
        so === undefined
          ? { kind: 'fails', fault: { kind: 'notOnFoot', soundId }, moves: [...made], after: null }
          : { kind: 'notProven', why: 'wayHangs' },
      )
      continue
    }
    const before = state
    state = way.state
    const wrong = so === 'holds' ? null : stepsThatMiss(rig, floor, before, way, soundId)
    if (wrong)
      yield say({
        kind: 'fails',
        fault: { kind: 'soundMissed', soundId, claim: wrong.claim, is: wrong.is },
        moves: [...made, ...wrong.moves],
        after: null,
      })
    else yield say(so === 'open' ? { kind: 'notProven', why: 'tooMany' } : { kind: 'holds' })
    made.push(...way.moves)
  }
}

interface Way {
  readonly moves: readonly CalmMove[]
  readonly state: FloorState
}

/** Stepping to a sound by the nearest switch of it, as a player does; null where that comes to no end. */
function wayToSound(rig: Rig, floor: FloorMachine, from: FloorState, soundId: SoundId): Way | null {
  const recalls = recallsAt(floor, soundId)
  const far = distancesTo(floor, recalls)
  const moves: CalmMove[] = []
  let state = from
  while (moves.length < MOVES_MAX) {
    const place = floor.places.indexOf(placeOf(rig, state))
    const here = floor.machine.moves[place] ?? []
    const move =
      far[place] === 1
        ? here.find(recalls)
        : here.find(({ jump }) => jump?.table.some((to) => far[to]! < far[place]!))
    if (!move) return null
    const { move: made, footswitch } = floor.labels.get(move)!
    moves.push(made)
    const forgot: FloorState = { ...state, known: { ...state.known, sound: null } }
    const isThere = makeMove(rig, forgot, made, footswitch).state.known.sound === soundId
    state = makeMove(rig, state, made, footswitch).state
    if (isThere) return { moves, state }
  }
  return null
}

type IsRecall = (move: MachineMove) => boolean

function recallsAt({ indexOf, values }: FloorMachine, soundId: SoundId): IsRecall {
  const component = indexOf.get('S')
  const value = component === undefined ? -1 : values[component]!.indexOf(soundId)
  return ({ effects }) =>
    value >= 0 && effects.some((one) => one.component === component && one.table.includes(value))
}

/** By place how many moves it is to a switch that recalls a sound, that step included, positions aside. */
function distancesTo({ machine }: FloorMachine, recalls: IsRecall): readonly number[] {
  const far = machine.moves.map((here) => (here.some(recalls) ? 1 : Number.POSITIVE_INFINITY))
  for (let isGrowing = true; isGrowing;) {
    isGrowing = false
    machine.moves.forEach((here, place) => {
      for (const { jump } of here)
        for (const to of jump?.table ?? [])
          if (to !== LEFT && far[to]! + 1 < far[place]!) {
            far[place] = far[to]! + 1
            isGrowing = true
          }
    })
  }
  return far
}

/** The steps to a part, at once or after one wrong step, after which its sound is not there; null where it always is. */
function stepsThatMiss(
  rig: Rig,
  floor: FloorMachine,
  before: FloorState,
  straight: Way,
  soundId: SoundId,
): {
  readonly moves: readonly CalmMove[]
  readonly claim: Claim
  readonly is: number | boolean | undefined
} | null {
  const missing = ({ state, moves }: Way) => {
    const [facts, belief] = [truth(state, rig), believed(state.known)]
    // What the list itself set otherwise is the player's doing.
    const claim = claimsOfSound(rig, soundId).find(
      (one) => holds(rig, one, belief) !== false && holds(rig, one, facts) !== true,
    )
    if (!claim) return null
    const is =
      claim.kind === 'preset'
        ? facts.preset(claim.deviceId)
        : claim.kind === 'contact'
          ? facts.contact(claim.deviceId, claim.contactId)
          : facts.value(claim.controlId)
    return { moves, claim, is }
  }
  const found = missing(straight)
  if (found) return found
  for (const { move, footswitch } of movesAt(rig, before)) {
    const slipped = makeMove(rig, before, move, footswitch).state
    const way = wayToSound(rig, floor, slipped, soundId)
    const wrong = way && missing({ moves: [move, ...way.moves], state: way.state })
    if (wrong) return wrong
  }
  return null
}
