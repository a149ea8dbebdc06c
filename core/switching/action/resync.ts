import { own } from '../../base/own'
import { contactsOf } from '../../rig/cabling/contacts'
import type { Rig } from '../../rig/rig'
import type { ActionOf } from '../../rig/table/action'
import type { DeviceId } from '../../rig/table/device'
import { soundDevices } from '../../sound/cells'
import { sendWants } from '../../sound/sendWants'
import { canBeSet, type Be } from '../../sound/want'
import { contactKey, type Known } from '../known'
import { without } from '../phrase/phrase'
import type { ActionStep } from '../step'
import type { ActionDoes } from './actionDoes'

/** For each device the preset last recalled, the values and contacts last sent. What changes over by itself is not sent. */
export const resync: ActionDoes<ActionOf<'resync'>> = {
  starts: () => ({ kind: 'resync' }),
  asks: true,
  steps: (rig, _, { controller, known }) =>
    sendWants(rig, believed(rig, known), controller) as readonly ActionStep[],
  reads: (_, { words }) =>
    without(words, 'resync', 'resend')?.filter((word) => word !== 'all').length === 0
      ? [{ action: { kind: 'resync' }, sureness: 7 }]
      : [],
}

function believed(rig: Rig, { presets, values, contacts }: Known): ReadonlyMap<DeviceId, Be> {
  return new Map(
    soundDevices(rig).map((device) => [
      device.id,
      {
        kind: 'be',
        preset: own(presets, device.id) ?? null,
        sets: Object.values(rig.controls)
          .filter(({ deviceId }) => deviceId === device.id)
          .sort((a, b) => a.order - b.order)
          .flatMap((control) => {
            const value = own(values, control.id)
            return value !== undefined && canBeSet(control, value) ? [{ controlId: control.id, value }] : []
          }),
        holds: new Map(),
        contacts: contactsOf(rig, device).flatMap((contact) => {
          const isClosed = own(contacts, contactKey(device.id, contact.id))
          return isClosed === undefined || contact.output === null ? [] : [{ contact, isClosed }]
        }),
        doubts: [],
      } satisfies Be,
    ]),
  )
}
