import { nanoid } from 'nanoid'
import {
  actionsAt,
  addReading,
  moveAction,
  putActions,
  removeAction,
  type Action,
  type Change,
  type ListPlace,
  type PhraseReading,
  type PresetId,
} from '#core'
import { useRigStore } from '~/stores/rig'

/** What is done to a list of actions, wherever it stands. */
export function useLists() {
  const rigs = useRigStore()
  const rig = () => rigs.rig!
  return {
    add: (place: ListPlace, reading: PhraseReading) =>
      rigs.edit(addReading(rig(), place, reading, nanoid(12) as PresetId)),
    change: (place: ListPlace, at: number, action: Action, first: readonly Change[] = []) =>
      rigs.edit(putActions(rig(), place, 'changeAction', actionsAt(rig(), place).with(at, action), first)),
    move: (place: ListPlace, at: number, by: number) => rigs.edit(moveAction(rig(), place, at, at + by)),
    remove: (place: ListPlace, at: number) => rigs.edit(removeAction(rig(), place, at)),
  }
}
