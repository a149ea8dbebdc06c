import { addController, addDevice, CONTROLLERS, DEVICES } from '#core/archetype'
import { freeSpot } from '#core/map'
import {
  addRow,
  applyEdit,
  emptyRig,
  isFree,
  plugChoices,
  type CableId,
  type ControllerId,
  type DeviceId,
  type Edit,
  type Rig,
} from '#core/rig'

function done(rig: Rig, edit: Edit): Rig {
  const applied = applyEdit(rig, edit)
  if (!applied.ok) throw new Error(JSON.stringify(applied.refusal))
  return applied.value
}

const KINDS = [
  'presetPedal',
  'multiEffects',
  'thruBox',
  'delay',
  'trsHub',
  'reverb',
  'usbHostBox',
  'multiEffects',
  'modularEffects',
  'modularEffects',
  'looper',
  'plainPedal',
  'multiEffects',
  'computer',
  'mergeBox',
  'powerSupply',
]

/** Sixteen devices on the biggest controller, each cabled as it comes, and whatever jacks are free until there are 40 cables. */
export function fullRig(cables = 40): Rig {
  let rig = emptyRig('Full rig')
  rig = done(rig, addController(rig, CONTROLLERS.at(-1)!, 'controller' as ControllerId, { x: 0, y: 0 }))
  KINDS.forEach((kind, n) => {
    const archetype = DEVICES.find(({ key }) => key === kind)!
    const ids = { device: `d${n}` as DeviceId, cable: `c${n}` as CableId }
    rig = done(rig, addDevice(rig, archetype, ids, freeSpot(rig)))
  })
  for (const box of [...Object.values(rig.controllers), ...Object.values(rig.devices)])
    for (const port of box.ports) {
      if (Object.keys(rig.cables).length >= cables) return rig
      const [choice] = isFree(rig, box.id, port) ? plugChoices(rig, box.id, port.id) : []
      const id = `more${Object.keys(rig.cables).length}` as CableId
      if (choice) rig = done(rig, addRow('layCable', 'cables', { ...choice.cable, id }))
    }
  return rig
}
