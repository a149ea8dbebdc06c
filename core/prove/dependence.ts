import { type Channel, own, type U7 } from '#core/base'
import { bankHalf, controlChange, programChange } from '#core/midi'
import {
  heldContacts,
  perRow,
  perTables,
  type Rig,
  type Action,
  actionLists,
  type Footswitch,
  deafFor,
} from '#core/rig'
import { bankPlan, PLAN_KEYS, planSteps, switchPlan, type Op } from '#core/simulate'
import { soundDevices } from '#core/sound'
import {
  actionSteps,
  askedBy,
  leadsOf,
  oneOf,
  doingFirst,
  controlSet,
  contactKey,
  type ActionStep,
} from '#core/switching'
import { askedPart, isStateful, partsBehind, touchedBy, type Part, presetPart } from './parts'

/** What a switch may change, whatever the foot does to it, and for each of those what it hangs on what becomes of it. */
export interface Dependence {
  readonly touches: ReadonlyMap<Part, ReadonlySet<Part>>
  /** It may lead to another bank or layer. */
  readonly goes: boolean
  /** Its next position; null where it has only one. */
  readonly turn: Part | null
  /** All it goes by. */
  readonly asked: ReadonlySet<Part>
  /** Lists of it may be under way at once: when messages of one come, then hangs on the foot and not on the other alone. */
  readonly overlaps: boolean
}

/**
 * What can become of each part of the floor by a switch. What a part hangs on is never too little: the actions of a list
 * that touch it, all they go by, what those that come before in the list made of that, and on the device what decides what
 * a message does. Where a device loses messages while it loads, when they come counts too, and that may hang on all that
 * the list goes by.
 */
export function dependenceOf(rig: Rig, footswitch: Footswitch): Dependence {
  const own_ = ownDependence(rig, footswitch)
  const mates = matesOf(rig, footswitch, own_.goes)
  if (mates.length === 0) return own_
  const touches = new Map(own_.touches)
  for (const { id, positions } of mates) {
    touches.set(`d/${id}`, new Set(own_.turn ? [own_.turn] : []))
    if (positions.length > 1) touches.set(`n/${id}`, new Set([...(own_.turn ? [own_.turn] : []), `n/${id}`]))
  }
  return { ...own_, touches }
}

/** The same without what is turned of other switches: an edit to those leaves it as it is. */
const ownDependence = perRow([...PLAN_KEYS, 'banks'], (rig, footswitch: Footswitch): Dependence => {
  const turn = footswitch.positions.length > 1 ? `n/${footswitch.id}` : null
  // Most parts hang on the position alone, if on anything: those share one set, which is never added to.
  const usual = new Set(turn ? [turn] : [])
  const touches = new Map<Part, Set<Part>>()
  const touch = (part: Part, reads: Iterable<Part> = NO_PARTS) => {
    let all = touches.get(part) ?? usual
    for (const read of reads) {
      if (all === usual) all = new Set(usual)
      all.add(read)
    }
    touches.set(part, all)
  }
  const controllerId = own(rig.banks, footswitch.bankId)?.controllerId ?? ''
  const asked = new Set<Part>(turn ? [turn] : [])
  let [goes, overlaps] = [false, footswitch.release.length > 0]
  const touchAll = (ops: readonly Op[], reads: readonly Part[]) => {
    // A bank that the list itself has chosen decides nothing.
    const chosen = new Map<string, number>()
    for (const op of ops) {
      if (op.kind === 'ask') look(op.action)
      if (op.kind === 'start') overlaps = true
      for (const part of touchedBy(rig, op)) {
        touch(part, reads)
        if (part[0] === 'B') chosen.set(part, (chosen.get(part) ?? 0) | bankBits(op))
        touch(
          part,
          partsBehind(rig, op, part).filter((one) => chosen.get(one) !== 3),
        )
      }
    }
  }
  /** One whose steps hang on what is known. */
  const look = (action: Action) => {
    const asks = askedBy(rig, action)
    const reads = asks.flatMap((one) => askedPart(one) ?? [])
    for (const read of reads) asked.add(read)
    for (const one of [action, ...oneOf(rig, action)])
      touchAll(planSteps(rig, controllerId, actionSteps(rig, one, doingFirst(rig, footswitch)), 0), reads)
    // What it goes by it may send anew, though it sends nothing as long as nothing is known.
    const beliefs = sentFor(rig)
    for (const belief of asks.includes('all') ? beliefs.keys() : reads) {
      const parts = beliefs.get(belief)
      if (!parts) continue
      asked.add(belief)
      for (const [part, behind] of parts) touch(part, [...reads, belief, ...behind])
    }
    for (const read of reads) touch(read, reads)
  }
  const mayGo = (actions: readonly Action[]) => {
    goes ||= leadsOf(rig, actions).length > 0
  }
  const { positions, release, longPress, doublePress } = switchPlan(rig, footswitch)
  for (const ops of [...positions, release, longPress, doublePress]) touchAll(ops, NO_PARTS)
  for (const { actions } of actionLists(footswitch)) mayGo(actions)
  if (goes)
    for (const bank of Object.values(rig.banks)) {
      const { enter, leave } = bankPlan(rig, bank)
      for (const ops of [enter, leave]) touchAll(ops, NO_PARTS)
    }
  touch(`d/${footswitch.id}`)
  if (turn) touch(turn)
  for (const part of [...touches.keys()]) if (isStateful(rig, part)) touch(part, [part])
  // A device may be deaf after its preset: what that hangs on then decides whether the others come.
  for (const part of touches.keys())
    if (losesAnything(rig, part)) touch(part, touches.get(presetPart(deviceOf(part))))
  // What a list goes by it may itself have made before, and so hangs on what that hung on.
  for (let isGrowing = true; isGrowing;) {
    isGrowing = false
    for (const [part, reads] of touches) {
      const more = [...reads]
        .flatMap((read) => [...(touches.get(read) ?? NO_PARTS)])
        .filter((one) => !reads.has(one))
      if (more.length === 0) continue
      touch(part, more)
      isGrowing = true
    }
  }
  return { touches, goes, turn, asked, overlaps }
})

const NO_PARTS: readonly Part[] = []

/** Which half of a bank a message chooses. */
const bankBits = (op: Op): number => {
  const half = op.kind === 'message' ? bankHalf(op.message) : null
  return half === null ? 0 : half === 'msb' ? 1 : 2
}

/** Other switches whose positions and lamps change as one is stepped on: those of its group, or all that a bank puts back. */
const matesOf = (rig: Rig, { id, bankId, group }: Footswitch, goes: boolean): readonly Footswitch[] => {
  const controllerId = own(rig.banks, bankId)?.controllerId ?? ''
  const mates =
    goes && own(rig.controllers, controllerId)?.onBank === 'restarts'
      ? Object.values(rig.switches)
      : group === ''
        ? []
        : (groups(rig).get(`${bankId}/${group}`) ?? [])
  return mates.filter((one) => one.id !== id)
}

const groups = perTables(['switches'], (rig: Rig): ReadonlyMap<string, readonly Footswitch[]> => {
  const all = new Map<string, Footswitch[]>()
  for (const one of Object.values(rig.switches)) {
    if (one.group === '') continue
    const key = `${one.bankId}/${one.group}`
    const mates = all.get(key)
    if (mates) mates.push(one)
    else all.set(key, [one])
  }
  return all
})

const deviceOf = (part: Part): string => part.split('/')[1] ?? ''

/** Whether messages for what a part is of may be lost. */
export function losesAnything(rig: Rig, part: Part): boolean {
  if (!'DPB'.includes(part[0]!)) return false
  const device = own(rig.devices, deviceOf(part))
  return device !== undefined && deafFor(device) > 0
}

/** By what a controller takes to be so of the devices, what sending that can touch, by what: a message for one may be heard by others. */
const sentFor = perTables(PLAN_KEYS, (rig: Rig): ReadonlyMap<Part, ReadonlyMap<Part, readonly Part[]>> => {
  const all = new Map<Part, Map<Part, readonly Part[]>>()
  const sent = (steps: readonly ActionStep[], belief: Part) => {
    const parts = all.get(belief) ?? new Map<Part, readonly Part[]>()
    all.set(belief, parts)
    for (const { id } of Object.values(rig.controllers))
      for (const op of planSteps(rig, id, steps, 0))
        for (const part of touchedBy(rig, op))
          parts.set(part, [...(parts.get(part) ?? []), ...partsBehind(rig, op, part)])
  }
  for (const device of soundDevices(rig)) {
    const deviceId = device.id
    const channel = (typeof device.channel === 'number' ? device.channel : 1) as Channel
    for (const message of [controlChange(channel, 0 as U7, 0 as U7), programChange(channel, 0 as U7)])
      sent([{ kind: 'send', deviceId, message }], `p/${deviceId}`)
    for (const { id, output } of heldContacts(rig, device))
      if (output !== null)
        sent(
          [{ kind: 'contact', deviceId, contactId: id, isClosed: true, output }],
          `k/${contactKey(deviceId, id)}`,
        )
  }
  for (const { id } of Object.values(rig.controls)) sent(controlSet(rig, id, 0), `v/${id}`)
  return all
})
