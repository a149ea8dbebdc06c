import { own } from '#core/base'
import { liveRole, noFoot, pedalController, pedalDevice, arrivesAt, sentAt, STEPS } from '#core/pedal'
import {
  sendChannel,
  CABLING,
  perRow,
  type Rig,
  type ControllerId,
  type DeviceId,
  type Pedal,
  type Target,
} from '#core/rig'
import { COMPILE_KEYS, controlSends, sweepName, type Known, type ActionStep } from '#core/switching'
import { planSteps, type Op } from './plan'

/** What a pedal does, with all that does not hang on the moment. */
interface PedalPlan {
  readonly controllerId: ControllerId | ''
  /** A foot on it is read by anything at all. */
  readonly isRead: boolean
  /** At most one value in so many µs; 0 where the controller leaves none out. */
  readonly every: number
  readonly roles: readonly (readonly TargetPlan[])[]
}

export interface TargetPlan {
  readonly controlId: string
  /** The value at each of the 128 steps of the pedal, as sent. */
  readonly values: readonly number[]
  /** What a value is sent as. */
  readonly ops: (value: number) => readonly Op[]
  /** Set without a message, where the pedal is in the device's own jack: in which device, to what. */
  readonly local: { readonly deviceId: DeviceId; readonly takes: (value: number) => number } | null
  /** The controller knows what it has set: it used the control's own number. */
  readonly isKnown: boolean
}

/** What a pedal leads, role by role, with the messages it sends. */
export const pedalPlan = perRow([...COMPILE_KEYS, ...CABLING], (rig, pedal: Pedal): PedalPlan => {
  const controllerId = pedalController(pedal) ?? ''
  return {
    controllerId,
    isRead: noFoot(rig, pedal) === null,
    every: own(rig.controllers, controllerId)?.thinsPedals ? pedal.everyMs * 1000 : 0,
    roles: pedal.roles.map(({ targets }) => targets.map((target) => targetPlan(rig, pedal, target))),
  }
})

function targetPlan(rig: Rig, pedal: Pedal, target: Target): TargetPlan {
  const control = own(rig.controls, target.controlId)!
  const controllerId = pedalController(pedal)
  const sent = new Map<number, readonly Op[]>()
  const isLocal = controllerId === null
  return {
    controlId: control.id,
    values: Array.from({ length: STEPS + 1 }, (_, position) => sentAt(target, position)),
    ops: (value) => {
      if (isLocal) return []
      let ops = sent.get(value)
      if (!ops) sent.set(value, (ops = planSteps(rig, controllerId, targetSends(rig, target, value), 0)))
      return ops
    },
    // The jack is that device's own: no other moves along.
    local:
      pedalDevice(pedal) === control.deviceId
        ? {
            deviceId: control.deviceId,
            takes: (value) => arrivesAt({ ...target, number: null }, control, value),
          }
        : null,
    isKnown: !isLocal && target.number === null,
  }
}

/** What a controller sends a target; nothing where its device listens on no channel. */
function targetSends(rig: Rig, { controlId, number }: Target, value: number): readonly ActionStep[] {
  if (number === null) {
    const sends = controlSends(rig, controlId, value)
    // A foot that leads a control takes it from whatever led it by itself.
    return sends.length === 0 ? [] : [{ kind: 'stop', name: sweepName(controlId) }, ...sends]
  }
  const device = own(rig.devices, own(rig.controls, controlId)?.deviceId ?? '')
  const channel = device ? sendChannel(rig, device) : null
  if (!device || channel === null || value > STEPS) return []
  return [
    {
      kind: 'send',
      deviceId: device.id,
      message: { kind: 'control', channel, controller: number, value: value as never },
    },
  ]
}

/** What of a floor decides which role of a pedal is live. */
export interface FloorView {
  readonly known: Known
  readonly feet: { readonly [switchId: string]: { readonly isDown: boolean } }
  readonly latched: { readonly [switchId: string]: boolean }
}

/** The role of a pedal that leads on a floor as it is; null while it is none's time. */
export const roleNow = (rig: Rig, pedal: Pedal, { known, feet, latched }: FloorView): number | null =>
  liveRole(rig, pedal, {
    known,
    isHeld: (id) => own(feet, id)?.isDown === true || own(latched, id) === true,
  })
