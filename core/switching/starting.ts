import { contactsOf, receivers, inOrder, type Rig, type Control, type Device } from '#core/rig'

/** The first control, in the order of the devices, that is right for something; null when none is. */
export function firstControl(rig: Rig, isRight: (control: Control) => boolean = () => true): Control | null {
  const controls = Object.values(rig.controls).sort((a, b) => a.order - b.order)
  for (const device of inOrder(rig.devices)) {
    const found = controls.find(
      (one) => one.deviceId === device.id && one.kind !== 'reserved' && isRight(one),
    )
    if (found) return found
  }
  return null
}

export const firstReceiver = (rig: Rig): Device | null => receivers(rig)[0] ?? null

/** The first contact a controller closes, and whose it is. */
export function firstContact(rig: Rig) {
  for (const device of inOrder(rig.devices)) {
    const contact = contactsOf(rig, device).find(({ output }) => output !== null)
    if (contact) return { device, contact }
  }
  return null
}
