import { own } from '#core/base'
import type { Rig, DeviceId, SetValue } from '#core/rig'
import { sendWants, canBeSet, wantsOf, type Be, type Want } from '#core/sound'
import {
  actionSteps,
  believedWants,
  believed,
  isOn,
  controlSends,
  type Known,
  type ActionStep,
} from '#core/switching'
import type { FloorState } from './floor'
import { truth } from './lampTruth'

type Devices = Pick<FloorState, 'devices' | 'off'>

/**
 * What must be sent so that devices are what something wants of them, and no more: a preset that is there already is
 * not recalled, a value that holds not set. Where a preset must be recalled, all that stands over it is set again.
 * Devices that are off are left out.
 */
function needed(rig: Rig, wants: ReadonlyMap<DeviceId, Want>, devices: Devices): ReadonlyMap<DeviceId, Be> {
  const facts = truth(devices, rig)
  const settable = ({ controlId, value }: SetValue) => {
    const control = own(rig.controls, controlId)
    return control !== undefined && canBeSet(control, value)
  }
  const left = new Map<DeviceId, Be>()
  for (const [id, want] of wants) {
    if (want.kind !== 'be' || own(devices.off, id)) continue
    const loose = [...want.holds]
      .map(([controlId, value]) => ({ controlId, value }))
      .filter(({ controlId, value }) => facts.value(controlId) !== value)
    const isThere = want.preset === null || facts.preset(id) === want.preset
    // What its preset should hold and does not is set, where a message sets it: the hole of a recall is spared.
    const isRecalled = want.preset !== null && !(isThere && loose.every(settable))
    const sets = isRecalled ? want.sets : loose.filter(settable)
    const contacts = want.contacts.filter(
      ({ contact, isClosed }) => facts.contact(id, contact.id) !== isClosed,
    )
    if (isRecalled || sets.length + contacts.length > 0)
      left.set(id, { ...want, preset: isRecalled ? want.preset : null, sets, contacts })
  }
  return left
}

/** Steps from how the devices are to a sound: only what is not so yet is sent. The controller then knows it is in that sound. */
export function neededSteps(
  rig: Rig,
  controllerId: string,
  soundId: string,
  state: Pick<FloorState, 'devices' | 'off' | 'known'>,
): readonly ActionStep[] {
  const sound = own(rig.sounds, soundId)
  if (!sound) return []
  const controller = own(rig.controllers, controllerId) ?? null
  const recall = actionSteps(
    rig,
    { kind: 'recallSound', soundId: sound.id },
    { controller, known: state.known, at: 0, by: null },
  )
  return [
    ...(sendWants(rig, needed(rig, wantsOf(rig, sound), state), controller) as readonly ActionStep[]),
    ...recall.filter(({ kind }) => kind === 'know'),
  ]
}

/** Steps after which the devices are what the controller believes of them, as far as messages can do that. */
export function putRightSteps(
  rig: Rig,
  controllerId: string,
  known: Known,
  devices: Devices,
): readonly ActionStep[] {
  const controller = own(rig.controllers, controllerId) ?? null
  return [
    ...(sendWants(rig, needed(rig, believedWants(rig, known), devices), controller) as readonly ActionStep[]),
    ...turnedOver(rig, known, devices),
  ]
}

/** What changes over at each message is sent once where it stands the other way. */
function turnedOver(rig: Rig, known: Known, devices: Devices): ActionStep[] {
  const [belief, facts] = [believed(known), truth(devices, rig)]
  return Object.values(rig.controls).flatMap(({ id, deviceId, reading }) => {
    const [should, is] = [belief.value(id), facts.value(id)]
    if (reading.kind !== 'toggle' || own(devices.off, deviceId) || should === undefined || is === undefined)
      return []
    return isOn(rig, id, should) === isOn(rig, id, is) ? [] : controlSends(rig, id, reading.value)
  })
}
