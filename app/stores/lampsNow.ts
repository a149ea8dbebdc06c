import type { Footswitch, Rig } from '#core/rig'
import {
  claimDevice,
  lampTruth,
  type Cause,
  type FloorState,
  type FloorTrail,
  type LampTruth,
} from '#core/simulate'
import type { Claim } from '#core/switching'

/** A lamp under the foot, held against the devices. */
export interface LampSeen {
  readonly footswitch: Footswitch
  readonly truth: LampTruth
  /** The first thing that speaks against it, and what happened to that last; null while it tells the truth. */
  readonly claim: Claim | null
  readonly cause: Cause | null
  /** What would put it right or wrong is still on its way. */
  readonly isMoving: boolean
}

/** Of each place under the foot what its lamp says; places whose lamp says nothing of devices are left out. */
export function lampsNow(
  rig: Rig,
  state: FloorState,
  places: ReadonlyMap<string, Footswitch>,
  trail: FloorTrail,
): ReadonlyMap<string, LampSeen> {
  const moving = onTheWay(state)
  const seen = new Map<string, LampSeen>()
  for (const [place, footswitch] of places) {
    const truth = lampTruth(rig, footswitch, state)
    if (!truth) continue
    const [claim = null] = truth.against
    const isMoving = claim !== null && (moving.all || moving.devices.has(claimDevice(rig, claim)))
    seen.set(place, { footswitch, truth, claim, cause: claim && trail.why(rig, claim), isMoving })
  }
  return seen
}

/** Devices that something is on its way to; `all` while a list waits to go on. */
function onTheWay({ due }: FloorState): { readonly all: boolean; readonly devices: ReadonlySet<string> } {
  const devices = new Set<string>()
  let all = false
  for (const one of due) {
    if (one.kind === 'arrive')
      for (const { heardBy } of one.entries.slice(one.next)) for (const id of heardBy) devices.add(id)
    else if (one.kind === 'contact') devices.add(one.set.deviceId)
    else if (one.kind === 'go' && one.process.name === null) all = true
  }
  return { all, devices }
}
