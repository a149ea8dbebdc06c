import { nanoid } from 'nanoid'
import { addController, addDevice, type ControllerArchetype, type DeviceArchetype } from '#core/archetype'
import { freeSpot } from '#core/map'
import {
  boxName,
  editRow,
  type Box,
  type CableId,
  type ControllerId,
  type DeviceId,
  type Spot,
} from '#core/rig'
import { useSelection } from '~/composables/useSelection'
import { useRigStore } from '~/stores/rig'

/** What is done to the floor from the Rig view; new rows get their ids here, and are chosen. */
export function useFloorEdits() {
  const rigs = useRigStore()
  const { select } = useSelection()
  const rig = () => rigs.rig!

  function bringController(kind: ControllerArchetype): void {
    const id = nanoid(12) as ControllerId
    if (rigs.edit(addController(rig(), kind, id, freeSpot(rig()))))
      select({ kind: 'controller', controllerId: id })
  }

  function bringDevice(kind: DeviceArchetype): void {
    const ids = { device: nanoid(12) as DeviceId, cable: nanoid(12) as CableId }
    // It stands beside the box its cable comes from.
    const trial = addDevice(rig(), kind, ids, { x: 0, y: 0 })
    const cable = trial.changes.find(({ table }) => table === 'cables')
    const from = cable?.table === 'cables' ? cable.after?.from.id : undefined
    if (rigs.edit(addDevice(rig(), kind, ids, freeSpot(rig(), from))))
      select({ kind: 'device', deviceId: ids.device })
  }

  const move = (box: Box, spot: Spot) =>
    rigs.edit(editRow(rig(), 'moveBox', 'kind' in box ? 'devices' : 'controllers', box.id, { spot }))

  const refusedText = (from: string, to: string) =>
    `${boxName(rig(), from)} and ${boxName(rig(), to)} have no free jacks that go together.`

  return { bringController, bringDevice, move, refusedText }
}
