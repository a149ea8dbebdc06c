import { heldContacts, type Rig, type DeviceId } from '#core/rig'
import { soundDevices, canBeSet, type Be } from '#core/sound'
import { believed } from './claim'
import type { Known } from './known'

/** What a controller believes of each device, as something to be wanted: what it last sent, where a message sets it. */
export function believedWants(rig: Rig, known: Known): ReadonlyMap<DeviceId, Be> {
  const belief = believed(known)
  return new Map(
    soundDevices(rig).map((device) => {
      const sets = Object.values(rig.controls)
        .filter(({ deviceId }) => deviceId === device.id)
        .sort((a, b) => a.order - b.order)
        .flatMap((control) => {
          const value = belief.value(control.id)
          return value !== undefined && canBeSet(control, value) ? [{ controlId: control.id, value }] : []
        })
      const be: Be = {
        kind: 'be',
        preset: belief.preset(device.id) ?? null,
        sets,
        holds: new Map(sets.map(({ controlId, value }) => [controlId, value])),
        contacts: heldContacts(rig, device).flatMap((contact) => {
          const isClosed = belief.contact(device.id, contact.id)
          return isClosed === undefined || contact.output === null ? [] : [{ contact, isClosed }]
        }),
        doubts: [],
      }
      return [device.id, be]
    }),
  )
}
