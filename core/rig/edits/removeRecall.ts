import { own } from '../../base/own'
import type { Edit } from '../edit'
import type { Rig } from '../rig'
import type { SwitchId } from '../table/switch'
import { putSwitch } from './switchSlot'

/** Takes the action standing `at` out of one position. Null when there is none. */
export function removeRecall(rig: Rig, switchId: SwitchId, position: number, at: number): Edit | null {
  const before = own(rig.switches, switchId)
  const actions = before?.positions[position]
  if (!before || !actions?.[at]) return null
  const positions = before.positions.with(position, actions.toSpliced(at, 1))
  return { label: 'removeRecall', changes: [putSwitch(rig, { ...before, positions })] }
}
