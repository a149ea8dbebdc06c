import { LEFT, made, type Effect, type MachineMove, type State, walked, wayTo, project } from '#core/explore'
import { own } from '#core/base'
import {
  type Rig,
  placeKey,
  actionLists,
  isProgrammed,
  type Footswitch,
  type SwitchId,
  type Action,
} from '#core/rig'
import { actionRecalls, expanded, leadsOf, setsOnly } from '#core/switching'
import { eachWay, seenThrough } from './ask'
import type { FloorMachine } from './floorMachine'
import { type Part, presetPart } from './parts'
import type { ProofFault, Proved, ProofVerdict } from './proved'

/** Whether all it does can be seen in what a floor has at its parts. */
const isSeenInParts = (action: Action): boolean => setsOnly(action) === 'outright'

/**
 * Each switch: that it is not dead, that no other one under the same foot does the same from everywhere, and that no preset
 * its lists recall is left again in them.
 */
export function* switchesLine(rig: Rig, floor: FloorMachine): Generator<Proved> {
  const byPlace = movesBySwitch(floor)
  const found = foundAt(floor)
  const twins = twinsOf(rig, floor, byPlace)
  for (const one of Object.values(rig.switches)) {
    const ours = byPlace.get(one.id)
    if (!ours || !isProgrammed(one)) continue
    const about = { table: 'switches', id: one.id } as const
    const faults: (ProofFault | 'unknown')[] = []
    const dead = isDead(rig, floor, one, ours, found)
    if (dead === null) faults.push('unknown')
    else if (dead) faults.push({ kind: 'dead', switchId: one.id })
    const other = dead ? undefined : twins.get(one.id)
    if (other) faults.push({ kind: 'twin', switchId: one.id, other })
    for (const undone of undoneBy(rig, floor, one, ours)) faults.push(undone)
    const verdicts = faults.map((fault): ProofVerdict =>
      fault === 'unknown'
        ? { kind: 'notProven', why: 'beyond' }
        : { kind: 'fails', fault, moves: wayOnto(floor, ours), after: null },
    )
    if (verdicts.length === 0) verdicts.push({ kind: 'holds' })
    for (const verdict of verdicts) yield { line: 'switches', about, verdict }
  }
}

/** The moves of each switch, with the places they are made at. */
type Ours = ReadonlyMap<MachineMove, readonly number[]>

function movesBySwitch({ machine, labels }: FloorMachine): ReadonlyMap<SwitchId, Ours> {
  const all = new Map<SwitchId, Map<MachineMove, number[]>>()
  machine.moves.forEach((here, place) => {
    for (const move of here) {
      const { footswitch } = labels.get(move)!
      if (!footswitch) continue
      let ours = all.get(footswitch.id)
      if (!ours) all.set(footswitch.id, (ours = new Map()))
      const places = ours.get(move)
      if (places) places.push(place)
      else ours.set(move, [place])
    }
  })
  return all
}

const isOfDevice = (part: Part): boolean => 'DPK'.includes(part[0]!)

/** The state in which each place is come to first. */
function foundAt({ machine }: FloorMachine): ReadonlyMap<number, State> {
  const found = new Map<number, State>()
  const projection = project(machine, [])
  for (const [n, place] of (projection?.met ?? []).entries()) {
    const end = walked(machine, wayTo(projection!, n))
    if (end?.place === place) found.set(place, end)
  }
  return found
}

/** Null where that is not known. */
function isDead(
  rig: Rig,
  floor: FloorMachine,
  footswitch: Footswitch,
  ours: Ours,
  found: ReadonlyMap<number, State>,
): boolean | null {
  const actions = actionLists(footswitch).flatMap((list) => expanded(rig, list.actions))
  const isSeen = actions.every(({ action }) => {
    if (!isSeenInParts(action)) return false
    const control = 'controlId' in action ? own(rig.controls, action.controlId ?? '') : undefined
    return control?.reading.kind !== 'trigger'
  })
  // What has its own effect, a note or a tap, is not dead.
  if (!isSeen) return false
  // Mostly it does something at once, and that is enough.
  for (const [move, places] of ours) {
    if (move.jump) return false
    const state = found.get(places[0]!)
    if (!state) continue
    const { values } = made(floor.machine, state, move)
    if (
      move.effects.some(
        ({ component: at }) => isOfDevice(floor.partAt[at]!) && values[at] !== state.values[at],
      )
    )
      return false
  }
  // Coming to a sound or a tempo is something, though every device is there already: a lamp comes on.
  for (const [move, places] of ours) {
    if (floor.blurred.has(move)) return null
    for (const effect of move.effects) {
      const part = floor.partAt[effect.component]!
      if (!isOfDevice(part)) continue
      const changes = mayChange(rig, floor, effect, part, new Set(places))
      if (changes !== false) return changes === null ? null : false
    }
  }
  return true
}

/** Whether a part can be other after an effect than before, at some of the places; null where that is not known. */
function mayChange(
  rig: Rig,
  floor: FloorMachine,
  effect: Effect,
  part: Part,
  places: ReadonlySet<number>,
): boolean | null {
  const { partAt, values } = floor
  if (floor.beyond.has(part)) return null
  const through = [part, ...effect.reads.map((read) => partAt[read]!)]
  const projection = seenThrough(floor, through)
  if (!projection) return null
  let changes = false
  eachWay(rig, floor, projection, 'place', (_, place, valueAt) => {
    if (changes || !places.has(place)) return
    let row = 0
    for (const read of effect.reads)
      row = row * floor.machine.sizes[read]! + values[read]!.indexOf(valueAt(partAt[read]!))
    const value = effect.table[row]!
    changes = value !== LEFT && values[effect.component]![value] !== valueAt(part)
  })
  return changes
}

/** Switches that can be stepped on at the same place and do the same there, by the later one: what the lamps show apart. */
function twinsOf(
  rig: Rig,
  floor: FloorMachine,
  bySwitch: ReadonlyMap<SwitchId, Ours>,
): ReadonlyMap<SwitchId, SwitchId> {
  const { partAt, machine, labels } = floor
  const text = (move: MachineMove): string => {
    const { effects, jump } = move
    const seen = effects
      .filter(({ component }) => !'dn'.includes(partAt[component]![0]!))
      .map(({ component, reads, table }) => `${partAt[component]} ${reads.join()} ${table.join()}`)
      .sort()
    return `${labels.get(move)!.move.kind} ${seen.join(';')} ${jump ? jump.table.join() : ''}`
  }
  const texts = new Map<SwitchId, string>()
  const whole = (id: SwitchId): string => {
    let known = texts.get(id)
    if (known === undefined) texts.set(id, (known = [...bySwitch.get(id)!.keys()].map(text).sort().join('|')))
    return known
  }
  const twins = new Map<SwitchId, SwitchId>()
  for (const [place, here] of machine.moves.entries()) {
    if (JSON.parse(floor.places[place]!)[4] !== null) continue
    const met = new Map<string, Footswitch>()
    for (const move of here) {
      const { footswitch, move: made } = labels.get(move)!
      if (!footswitch || made.kind !== 'press' || twins.has(footswitch.id)) continue
      if (
        !isJudged(rig, footswitch) ||
        [...bySwitch.get(footswitch.id)!.keys()].some((one) => floor.blurred.has(one))
      )
        continue
      const key = whole(footswitch.id)
      const first = met.get(key)
      if (!first) met.set(key, footswitch)
      else if (placeKey(first) !== placeKey(footswitch)) twins.set(footswitch.id, first.id)
    }
  }
  return twins
}

const leadsToBank = (rig: Rig, action: Action): boolean =>
  leadsOf(rig, [action]).some((lead) => lead === 'bank' || lead === 'back')

/** Only what can all be seen in the parts can be held against another. */
const isJudged = (rig: Rig, footswitch: Footswitch): boolean =>
  footswitch.positions.length === 1 &&
  actionLists(footswitch).every(({ actions }) =>
    actions.every((action) => isSeenInParts(action) || leadsToBank(rig, action)),
  )

/** Presets a list recalls on a device that is in another once the list is done. */
function* undoneBy(rig: Rig, floor: FloorMachine, footswitch: Footswitch, ours: Ours): Generator<ProofFault> {
  const { positions } = footswitch
  const [only] = positions
  if (positions.length !== 1 || !only || footswitch.release.length > 0) return
  const recalled = only.flatMap((action) => actionRecalls(rig, action))
  for (const [move] of ours) {
    if (floor.labels.get(move)!.move.kind !== 'press') continue
    for (const { deviceId, index } of recalled) {
      const component = floor.indexOf.get(presetPart(deviceId))
      const effect = move.effects.find((one) => one.component === component)
      if (effect?.reads.length !== 0) continue
      const is = floor.values[component!]![effect.table[0]!]
      if (is !== index) {
        yield { kind: 'undone', switchId: footswitch.id, deviceId, preset: index }
        return
      }
    }
    return
  }
}

/** The fewest moves after which the foot has stepped on it. */
function wayOnto(floor: FloorMachine, ours: Ours) {
  const projection = project(floor.machine, [])
  const places = new Map([...ours].flatMap(([move, at]) => at.map((place) => [place, move] as const)))
  const n = projection?.met.findIndex((place) => places.has(place)) ?? -1
  if (!projection || n < 0) return []
  return [...wayTo(projection, n), places.get(projection.met[n]!)!].map(
    (move) => floor.labels.get(move)!.move,
  )
}
