import { nextFreeChannel, channelHolders } from '../rig/channels'
import { boxes } from '../rig/cabling/link'
import { change, type Change, type Edit } from '../rig/edit'
import { alterRole } from '../rig/edits/setJack'
import { suggestCable } from '../rig/edits/suggestCable'
import { lastOrder, type Rig } from '../rig/rig'
import type { CableId } from '../rig/table/cable'
import type { ControllerId } from '../rig/table/controller'
import type { Device, DeviceId } from '../rig/table/device'
import type { Spot } from '../rig/table/scalars'
import type { ControllerArchetype, DeviceArchetype } from './archetype'

/** "Reverb", then "Reverb 2": a name no box of the rig has yet. */
function freeName(rig: Rig, name: string): string {
  const taken = new Set(boxes(rig).map((box) => box.name))
  for (let n = 1; ; n++) {
    const tried = n === 1 ? name : `${name} ${n}`
    if (!taken.has(tried)) return tried
  }
}

export const addController = (
  rig: Rig,
  { fields }: ControllerArchetype,
  id: ControllerId,
  spot: Spot,
): Edit => ({
  label: 'addController',
  changes: [
    change('controllers', id, null, {
      ...fields,
      id,
      order: lastOrder(rig.controllers),
      name: freeName(rig, fields.name),
      spot,
    }),
  ],
})

/** A maker's default channel is kept when nobody holds it; else the lowest free one; none when all 16 are held. */
function startingChannel(rig: Rig, { kind, factoryChannel }: DeviceArchetype['fields']): Device['channel'] {
  if (kind !== 'receiver') return 'none'
  const isFree = typeof factoryChannel === 'number' && channelHolders(rig).get(factoryChannel)!.length === 0
  return isFree ? factoryChannel : (nextFreeChannel(rig) ?? 'none')
}

/**
 * Adds a device with a channel of its own and, where a jack is free for it, the cable that brings it into
 * the rig; a thru that is off on the way is switched on. One edit.
 */
export function addDevice(
  rig: Rig,
  { fields }: DeviceArchetype,
  ids: { readonly device: DeviceId; readonly cable: CableId },
  spot: Spot,
): Edit {
  const device: Device = {
    ...fields,
    id: ids.device,
    order: lastOrder(rig.devices),
    name: freeName(rig, fields.name),
    channel: startingChannel(rig, fields),
    spot,
  }
  return {
    label: 'addDevice',
    changes: [change('devices', device.id, null, device), ...cabled(rig, device, ids.cable)],
  }
}

function cabled(rig: Rig, device: Device, cableId: CableId): readonly Change[] {
  const withDevice: Rig = { ...rig, devices: { ...rig.devices, [device.id]: device } }
  const cable = suggestCable(withDevice, device, cableId)
  if (!cable) return []
  const jack = rig.devices[cable.from.id]?.ports.find(({ id }) => id === cable.from.port)
  const isOff = jack?.roles[jack.role] && Reflect.get(jack.roles[jack.role]!, 'passes') === 'off'
  const thru = isOff ? alterRole(rig, cable.from.id, cable.from.port, { passes: 'on' }) : null
  return [...(thru?.changes ?? []), change('cables', cable.id, null, cable)]
}

/** A copy of a device beside it: same jacks and settings, a channel and a name of its own, no cables. */
export function duplicateDevice(
  rig: Rig,
  source: Device,
  ids: { readonly device: DeviceId },
  spot: Spot,
): Edit {
  const { id: _, order, name, ...fields } = source
  const channel = startingChannel(rig, { ...fields, name, factoryChannel: 'omni' })
  const copy: Device = {
    ...fields,
    id: ids.device,
    order: nextOrder(rig, order),
    name: freeName(rig, name),
    channel: source.kind === 'receiver' ? channel : 'none',
    sharesChannel: false,
    spot,
  }
  return { label: 'addDevice', changes: [change('devices', copy.id, null, copy)] }
}

/** Half way to the one that stands behind. */
function nextOrder(rig: Rig, order: number): number {
  const after = Object.values(rig.devices)
    .map((device) => device.order)
    .filter((other) => other > order)
  return after.length === 0 ? order + 1 : (order + Math.min(...after)) / 2
}
