import { own } from '../../base/own'
import type { Edit } from '../edit'
import type { Rig } from '../rig'
import type { SwitchId } from '../table/switch'
import { putSwitch } from './switchSlot'

/** Changes the sending order inside one position. Null when nothing moves. */
export function moveRecall(
  rig: Rig,
  switchId: SwitchId,
  position: number,
  from: number,
  to: number,
): Edit | null {
  const before = own(rig.switches, switchId)
  const actions = before?.positions[position]
  const action = actions?.[from]
  if (!before || !action || from === to || to < 0 || to >= actions.length) return null
  const positions = before.positions.with(position, actions.toSpliced(from, 1).toSpliced(to, 0, action))
  return { label: 'moveRecall', changes: [putSwitch(rig, { ...before, positions })] }
}
