import type { Channel } from '../base/channel'
import { own } from '../base/own'
import type { U7 } from '../base/u7'
import { controlChange, programChange } from '../midi/message'
import { heldContacts } from '../rig/cabling/contacts'
import { perTables } from '../rig/perTables'
import { FLOOR_TABLES, type Rig } from '../rig/rig'
import type { Action } from '../rig/table/action'
import { actionLists, type Footswitch } from '../rig/table/switch'
import { planSteps } from '../simulate/plan'
import { soundDevices } from '../sound/cells'
import { actionSteps, askedBy, expanded, oneOf } from '../switching/action'
import { doingFirst } from '../switching/compile'
import { controlSet } from '../switching/controlSends'
import { contactKey } from '../switching/known'
import type { ActionStep } from '../switching/step'
import { askedPart, isStateful, partsBehind, touchedBy, type Part } from './parts'

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
  const touches = new Map<Part, Set<Part>>()
  const touch = (part: Part, reads: Iterable<Part> = []) => {
    let all = touches.get(part)
    if (!all) touches.set(part, (all = new Set()))
    for (const read of reads) all.add(read)
  }
  const controllerId = own(rig.banks, footswitch.bankId)?.controllerId ?? ''
  const turn = footswitch.positions.length > 1 ? `n/${footswitch.id}` : null
  const asked = new Set<Part>(turn ? [turn] : [])
  let [goes, overlaps] = [false, footswitch.release.length > 0]
  const look = (actions: readonly Action[]) => {
    for (const { action, at } of expanded(rig, actions)) {
      if (action.kind === 'travel' || action.kind === 'layer') goes = true
      const asks = askedBy(rig, action)
      const reads = asks.flatMap((one) => askedPart(one) ?? [])
      for (const read of reads) asked.add(read)
      for (const one of [action, ...oneOf(rig, action)]) {
        const steps = actionSteps(rig, one, doingFirst(rig, footswitch))
        for (const op of planSteps(rig, controllerId, steps, at)) {
          if (op.kind === 'start') overlaps = true
          for (const part of touchedBy(rig, op)) touch(part, reads)
        }
      }
      // What it goes by it may send anew, though it sends nothing as long as nothing is known.
      for (const [belief, parts] of sentFor(rig)) {
        if (!asks.includes('all') && !reads.includes(belief)) continue
        asked.add(belief)
        for (const part of parts) touch(part, [...reads, belief])
      }
      for (const read of reads) touch(read, reads)
    }
  }
  for (const { actions } of actionLists(footswitch)) look(actions)
  const banks = goes ? Object.values(rig.banks) : []
  for (const { enter, leave } of banks) {
    look(enter)
    look(leave)
  }
  const isRestarting = goes && own(rig.controllers, controllerId)?.onBank === 'restarts'
  for (const { id, positions } of isRestarting ? Object.values(rig.switches) : matesOf(rig, footswitch)) {
    touch(`d/${id}`)
    if (positions.length > 1) touch(`n/${id}`)
  }
  for (const [part, reads] of touches) {
    if (turn) reads.add(turn)
    if (isStateful(rig, part)) reads.add(part)
    for (const more of partsBehind(rig, part)) reads.add(more)
  }
  // What a list goes by it may itself have made before, and so hangs on what that hung on.
  for (let isGrowing = true; isGrowing;) {
    isGrowing = false
    for (const reads of touches.values()) {
      const before = reads.size
      for (const read of reads) for (const more of touches.get(read) ?? []) reads.add(more)
      if (reads.size !== before) isGrowing = true
    }
  }
  return { touches, goes, turn, asked, overlaps }
}

/** The switches whose positions and lamps change as one is stepped on: itself, and those of its group. */
const matesOf = (rig: Rig, footswitch: Footswitch): readonly Footswitch[] =>
  footswitch.group === ''
    ? [footswitch]
    : [
        footswitch,
        ...(groups(rig).get(`${footswitch.bankId}/${footswitch.group}`) ?? []).filter(
          ({ id }) => id !== footswitch.id,
        ),
      ]

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

/** Whether messages for what a part is of may be lost. */
export function losesAnything(rig: Rig, part: Part): boolean {
  if (!'DPB'.includes(part[0]!)) return false
  const device = own(rig.devices, part.split('/')[1] ?? '')
  return device !== undefined && device.whileDeaf === 'loses' && device.deafMs > 0
}

/** By what a controller takes to be so of the devices, what sending that can touch: a message for one may be heard by others. */
const sentFor = perTables(FLOOR_TABLES, (rig: Rig): ReadonlyMap<Part, ReadonlySet<Part>> => {
  const all = new Map<Part, Set<Part>>()
  const sent = (steps: readonly ActionStep[], belief: Part) => {
    const parts = all.get(belief) ?? new Set()
    all.set(belief, parts)
    for (const { id } of Object.values(rig.controllers))
      for (const op of planSteps(rig, id, steps, 0)) for (const part of touchedBy(rig, op)) parts.add(part)
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
