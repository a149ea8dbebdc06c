import { nanoid } from 'nanoid'
import {
  actionsAt,
  findPreset,
  moveAction,
  putActions,
  removeAction,
  type Action,
  type Change,
  type DeviceId,
  type ListPlace,
  type PresetId,
  type SwitchSlot,
} from '#core/rig'
import { addReading, type PhraseReading, setTurns } from '#core/switching'
import { useRigStore } from '~/stores/rig'

/** What is done to a list of actions, wherever it stands. */
export function useLists() {
  const rigs = useRigStore()
  const rig = () => rigs.rig!
  return {
    add: (place: ListPlace, reading: PhraseReading) =>
      rigs.edit(addReading(rig(), place, reading, nanoid(12) as PresetId)),
    /** The first preset of a device, to be changed there. */
    preset: (place: ListPlace, deviceId: DeviceId) => {
      const known = findPreset(rig(), deviceId, 0)
      const action: Action = { kind: 'recallPreset', presetId: known?.id ?? (nanoid(12) as PresetId) }
      const makes = known ? {} : { makes: { deviceId, index: 0 } }
      return rigs.edit(addReading(rig(), place, { action, sureness: 0, ...makes }, action.presetId))
    },
    turns: (slot: SwitchSlot, readings: readonly PhraseReading[]) =>
      rigs.edit(setTurns(rig(), slot, readings, () => nanoid(12) as PresetId)),
    change: (place: ListPlace, at: number, action: Action, first: readonly Change[] = []) =>
      rigs.edit(putActions(rig(), place, 'changeAction', actionsAt(rig(), place).with(at, action), first)),
    move: (place: ListPlace, at: number, by: number) => rigs.edit(moveAction(rig(), place, at, at + by)),
    remove: (place: ListPlace, at: number) => rigs.edit(removeAction(rig(), place, at)),
  }
}
