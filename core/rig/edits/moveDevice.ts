import { change, type Edit } from '../edit'
import { inOrder, type Rig } from '../rig'
import type { DeviceId } from '../table/device'

/** Moves a device one place up (-1) or down (1) among the devices. Null at the end. */
export function moveDevice(rig: Rig, id: DeviceId, by: -1 | 1): Edit | null {
  const all = inOrder(rig.devices)
  const at = all.findIndex((device) => device.id === id)
  const [device, other] = [all[at], all[at + by]]
  if (!device || !other) return null
  return {
    label: 'moveDevice',
    changes: [
      change('devices', device.id, device, { ...device, order: other.order }),
      change('devices', other.id, other, { ...other, order: device.order }),
    ],
  }
}
