import {
  canOverhear,
  channelHolders,
  nextFreeChannel,
  boxes,
  change,
  type Change,
  type Edit,
  layCable,
  suggestCable,
  lastOrder,
  type Rig,
  type CableId,
  type ControllerId,
  type Device,
  type DeviceId,
  type Spot,
} from '#core/rig'
import type { Channel } from '#core/base'
import type { ControllerArchetype, DeviceArchetype } from './archetype'

/** "Reverb", then "Reverb 2": a name no box of the rig has yet. */
function freeName(rig: Rig, name: string): string {
  const taken = new Set(boxes(rig).map((box) => box.name))
  for (let n = 1; ; n++) {
    const tried = n === 1 ? name : `${name} ${n}`
    if (!taken.has(tried)) return tried
  }
}

/** A new controller of a kind, by a name nothing else has. */
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

/** A maker's default channel is kept when nobody that could overhear holds it; else the lowest free one; none when all are held. */
function startingChannel(rig: Rig, device: Device): Device['channel'] {
  if (device.kind !== 'receiver') return 'none'
  const { factoryChannel } = device
  const isFree = (channel: Channel) =>
    !channelHolders(rig)
      .get(channel)!
      .some((one) => canOverhear(rig, one, device))
  return typeof factoryChannel === 'number' && isFree(factoryChannel)
    ? factoryChannel
    : (nextFreeChannel(rig, 0, device) ?? 'none')
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
    channel: 'none',
    spot,
  }
  const withDevice: Rig = { ...rig, devices: { ...rig.devices, [device.id]: device } }
  const cable = suggestCable(withDevice, device, ids.cable)
  const laid = cable ? layCable(withDevice, cable).changes : []
  // Laying the cable may have set one of the new device's own jacks.
  const isOwn = ({ table, id }: Change) => table === 'devices' && id === device.id
  const own = (laid.find(isOwn)?.after ?? device) as Device
  const cabled: Rig = cable
    ? {
        ...withDevice,
        cables: { ...rig.cables, [cable.id]: cable },
        devices: { ...rig.devices, [device.id]: own },
      }
    : withDevice
  const channel = startingChannel(cabled, own)
  return {
    label: 'addDevice',
    changes: [change('devices', device.id, null, { ...own, channel }), ...laid.filter((one) => !isOwn(one))],
  }
}

/** A copy of a device beside it: same jacks and settings, a channel and a name of its own, no cables. */
export function duplicateDevice(
  rig: Rig,
  source: Device,
  ids: { readonly device: DeviceId },
  spot: Spot,
): Edit {
  const { id: _, order, name, ...fields } = source
  const copy: Device = {
    ...fields,
    id: ids.device,
    order: nextOrder(rig, order),
    name: freeName(rig, name),
    sharesChannel: false,
    spot,
  }
  const channel = startingChannel(rig, { ...copy, factoryChannel: 'omni' })
  return { label: 'addDevice', changes: [change('devices', copy.id, null, { ...copy, channel })] }
}

/** Half way to the one that stands behind. */
function nextOrder(rig: Rig, order: number): number {
  const after = Object.values(rig.devices)
    .map((device) => device.order)
    .filter((other) => other > order)
  return after.length === 0 ? order + 1 : (order + Math.min(...after)) / 2
}
