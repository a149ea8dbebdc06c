import { LEFT, rowOf, type Effect, type MachineMove } from '#core/explore'
import {
  heldContacts,
  inOrder,
  type Rig,
  type Device,
  type Sound,
  type SoundId,
  type SwitchId,
} from '#core/rig'
import { leavesAsFound, soundDevices, seen, wantsOf, type Want } from '#core/sound'
import { type FloorState, truth } from '#core/simulate'
import { holds, type Claim, lampSays, NOTHING_KNOWN } from '#core/switching'
import { eachWay, fewest, seenThrough, type ValueAt } from './ask'
import type { FloorMachine, Label } from './floorMachine'
import { isAsClaimed } from './lampLies'
import { makeMoves, restingStart } from './moves'
import { claimParts, partOf, type Part, type PartValue, contactPart, controlPart, presetPart } from './parts'
import type { Proved, ProofFault, ProofVerdict } from './proved'

/** A move of the foot that recalls a sound, wherever it is made. */
interface Recall {
  readonly move: MachineMove
  readonly label: Label
  /** What of the values it goes by makes it recall this sound. */
  readonly isIt: (numberAt: (component: number) => number) => boolean
  readonly reads: readonly number[]
  readonly places: ReadonlySet<number>
}

/**
 * Each sound some switch recalls: whether it is there after every recall, from wherever, and what it leaves as it finds it.
 * Tells each fault by itself, with the fewest moves that show it. `only`: of one sound.
 */
export function* soundsLine(rig: Rig, floor: FloorMachine, only?: SoundId): Generator<Proved> {
  if (floor.beyond.has('S')) {
    for (const { id } of inOrder(rig.sounds))
      yield { line: 'sounds', about: { table: 'sounds', id }, verdict: { kind: 'notProven', why: 'beyond' } }
    return
  }
  const recalls = recallsOf(floor)
  for (const sound of inOrder(rig.sounds)) {
    const ours = recalls.get(sound.id)
    if (!ours || (only !== undefined && sound.id !== only)) continue
    const about = { table: 'sounds', id: sound.id } as const
    let isWhole = true
    for (const verdict of [...missed(rig, floor, sound, ours), ...left(rig, floor, sound, ours)]) {
      isWhole = false
      yield { line: 'sounds', about, verdict }
    }
    if (isWhole) yield { line: 'sounds', about, verdict: { kind: 'holds' } }
  }
}

function recallsOf({ machine, indexOf, values, labels }: FloorMachine): ReadonlyMap<SoundId, Recall[]> {
  const all = new Map<SoundId, Recall[]>()
  const component = indexOf.get('S')
  if (component === undefined) return all
  const places = new Map<MachineMove, Set<number>>()
  machine.moves.forEach((here, place) => {
    for (const move of here) {
      const known = places.get(move)
      if (known) known.add(place)
      else places.set(move, new Set([place]))
    }
  })
  for (const [move, label] of labels) {
    const effect = effectOn(move, component)
    if (!effect) continue
    for (const value of new Set(effect.table)) {
      const sound = value === LEFT ? undefined : (values[component]![value] as SoundId | undefined)
      if (sound === undefined) continue
      const recall: Recall = {
        move,
        label,
        isIt: (numberAt) => effect.table[rowOf(effect, machine.sizes, numberAt)] === value,
        reads: effect.reads,
        places: places.get(move)!,
      }
      const known = all.get(sound)
      if (known) known.push(recall)
      else all.set(sound, [recall])
    }
  }
  return all
}

const effectOn = (move: MachineMove, component: number | undefined): Effect | undefined =>
  move.effects.find((effect) => effect.component === component)

/** What is so of the devices once a sound is there. */
export const claimsOfSound = (rig: Rig, soundId: SoundId): readonly Claim[] =>
  lampSays(rig, [{ kind: 'recallSound', soundId }], NOTHING_KNOWN).flatMap(({ claims }) => claims)

function* missed(
  rig: Rig,
  floor: FloorMachine,
  sound: Sound,
  recalls: readonly Recall[],
): Generator<ProofVerdict> {
  for (const claim of claimsOfSound(rig, sound.id)) {
    const [belief, part] = claimParts(rig, claim)
    let best: ProofVerdict | null = null
    for (const recall of recalls) {
      const verdict = missedBy(rig, floor, sound, recall, claim, belief, part)
      if (verdict && (!best || lengthOf(verdict) < lengthOf(best))) best = verdict
    }
    if (best) yield best
  }
}

const lengthOf = (verdict: ProofVerdict): number =>
  verdict.kind === 'fails' ? verdict.moves.length : Number.POSITIVE_INFINITY

/** What a part is after a move, in a state before it. */
function valueAfter(
  { machine, indexOf, values }: FloorMachine,
  move: MachineMove,
  part: Part,
  numberAt: (component: number) => number,
  before: PartValue,
): PartValue {
  const component = indexOf.get(part)
  const effect = effectOn(move, component)
  const value = effect ? effect.table[rowOf(effect, machine.sizes, numberAt)]! : LEFT
  return value === LEFT ? before : values[component!]![value]
}

/** Null where the claim holds after the recall, from everywhere, or the list itself goes on to set it otherwise. */
function missedBy(
  rig: Rig,
  floor: FloorMachine,
  sound: Sound,
  recall: Recall,
  claim: Claim,
  belief: Part,
  part: Part,
): ProofVerdict | null {
  const { indexOf, partAt, values } = floor
  const { move } = recall
  const [effect, told] = [effectOn(move, indexOf.get(part)), effectOn(move, indexOf.get(belief))]
  const isToldOtherwise =
    told?.reads.length === 0 && isAsClaimed(rig, claim, values[told.component]![told.table[0]!]) === false
  if (isToldOtherwise) return null
  if (
    effect?.reads.length === 0 &&
    isAsClaimed(rig, claim, values[effect.component]![effect.table[0]!]) === true
  )
    return null
  const through = [...recall.reads, ...(effect?.reads ?? []), ...(told?.reads ?? [])].map(
    (component) => partAt[component]!,
  )
  const all = [...new Set([...through, part, belief])]
  const numberOf = (valueAt: ValueAt) => (component: number) =>
    values[component]!.indexOf(valueAt(partAt[component]!))
  const isMissed = (place: number, valueAt: ValueAt) => {
    const numberAt = numberOf(valueAt)
    return (
      recall.places.has(place) &&
      recall.isIt(numberAt) &&
      isAsClaimed(rig, claim, valueAfter(floor, move, belief, numberAt, undefined)) !== false &&
      isAsClaimed(rig, claim, valueAfter(floor, move, part, numberAt, valueAt(part))) !== true
    )
  }
  const found = fewest(rig, floor, {
    through: all,
    asked: all,
    mayBe: isMissed,
    isSo: isMissed,
    isPlaced: true,
  })
  if (found.kind === 'never') return null
  if (found.kind === 'unknown') return { kind: 'notProven', why: found.why, atLeast: found.atLeast + 1 }
  const moves = [...found.labels, recall.label].map(({ move: one }) => one)
  const end = makeMoves(rig, restingStart(rig), moves).at(-1)!.state
  if (holds(rig, claim, truth(end, rig)) === true) return { kind: 'notProven', why: 'notPlayed' }
  return {
    kind: 'fails',
    fault: { kind: 'soundMissed', soundId: sound.id, claim, is: partOf(end, part) },
    moves,
    after: null,
  }
}

/** Things of a device that a sound leaves as it finds them, though it speaks of the device, or nobody said it should be left. */
function leftParts(rig: Rig, device: Device, want: Want): Part[] {
  // What a looper is stepped on by says nothing of what it plays.
  if (device.looper) return []
  const controls = Object.values(rig.controls).filter(
    ({ deviceId, reading }) =>
      deviceId === device.id && reading.kind !== 'trigger' && reading.kind !== 'increment',
  )
  const contacts = heldContacts(rig, device).filter(({ output }) => output !== null)
  const to = seen(rig, device, want)
  return [
    // To stay in whichever preset it is in is what a sound says that speaks of the device and recalls none.
    ...(want.kind !== 'be' && leavesAsFound(to, { kind: 'preset' }) ? [presetPart(device.id)] : []),
    ...controls
      .filter(({ id }) => leavesAsFound(to, { kind: 'control', controlId: id }))
      .map(({ id }) => controlPart(rig, id)),
    ...contacts
      .filter(({ id }) => leavesAsFound(to, { kind: 'contact', contactId: id }))
      .map(({ id }) => contactPart(device.id, id)),
  ]
}

function* left(
  rig: Rig,
  floor: FloorMachine,
  sound: Sound,
  recalls: readonly Recall[],
): Generator<ProofVerdict> {
  const wants = wantsOf(rig, sound)
  for (const device of soundDevices(rig))
    for (const part of leftParts(rig, device, wants.get(device.id)!)) {
      if (!floor.indexOf.has(part)) continue
      let best: ProofVerdict | null = null
      for (const recall of recalls) {
        // What the list sets besides is not left.
        if (effectOn(recall.move, floor.indexOf.get(part))) continue
        const verdict = leftBy(rig, floor, sound, recall, part)
        if (verdict && (!best || lengthOf(verdict) < lengthOf(best))) best = verdict
      }
      if (best) yield best
    }
}

/** Null where what is left is one and the same from everywhere. */
function leftBy(
  rig: Rig,
  floor: FloorMachine,
  sound: Sound,
  recall: Recall,
  part: Part,
): ProofVerdict | null {
  if (floor.beyond.has(part)) return { kind: 'notProven', why: 'beyond' }
  const projection = seenThrough(floor, [part])
  if (!projection) return { kind: 'notProven', why: 'tooMany' }
  const usual: PartValue[] = []
  eachWay(rig, floor, projection, 'place', (_, place, valueAt) => {
    if (usual.length === 0 && recall.places.has(place)) usual.push(valueAt(part))
  })
  if (usual.length === 0) return null
  const through = [part, ...recall.reads.map((component) => floor.partAt[component]!)]
  const isOther = (place: number, valueAt: ValueAt) => recall.places.has(place) && valueAt(part) !== usual[0]
  const found = fewest(rig, floor, {
    through,
    asked: through,
    mayBe: isOther,
    isSo: (place, valueAt) =>
      isOther(place, valueAt) &&
      recall.isIt((component) => floor.values[component]!.indexOf(valueAt(floor.partAt[component]!))),
    isPlaced: true,
  })
  if (found.kind === 'never') return null
  if (found.kind === 'unknown') return { kind: 'notProven', why: found.why, atLeast: found.atLeast + 1 }
  const moves = [...found.labels, recall.label].map(({ move }) => move)
  const results = makeMoves(rig, restingStart(rig), moves)
  const is = partOf(results.at(-1)!.state, part)
  if (is === usual[0]) return { kind: 'notProven', why: 'notPlayed' }
  const fault: ProofFault = {
    kind: 'soundLeaves',
    soundId: sound.id,
    part,
    usual: usual[0],
    is,
    by: lastToTouch(
      restingStart(rig),
      results.map(({ state }) => state),
      part,
      found.labels,
    ),
  }
  return { kind: 'fails', fault, moves, after: null }
}

/** The switch that changed a part last before the end of a run. */
function lastToTouch(
  start: FloorState,
  states: readonly FloorState[],
  part: Part,
  labels: readonly Label[],
): SwitchId | null {
  for (let n = labels.length - 1; n >= 0; n--)
    if (partOf(states[n]!, part) !== partOf(states[n - 1] ?? start, part))
      return labels[n]!.footswitch?.id ?? null
  return null
}
