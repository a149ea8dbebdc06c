import type { Edit } from '../edit'
import type { Rig } from '../rig'
import type { Footswitch } from '../table/switch'
import { putSwitch, switchAt, type SwitchSlot } from './switchSlot'

/** How a footswitch works: the same each press, two states in turn, or one down and one up. */
export type SwitchMode = 'recall' | 'alternate' | 'hold' | 'cycle'

export function modeOf({ positions, release }: Footswitch): SwitchMode {
  if (release.length > 0) return 'hold'
  return positions.length === 1 ? 'recall' : positions.length === 2 ? 'alternate' : 'cycle'
}

/**
 * Changes between recall and alternate. Going to recall keeps the first position; what the others
 * did comes back with undo. Null when nothing changes.
 */
export function setMode(rig: Rig, slot: SwitchSlot, mode: 'recall' | 'alternate'): Edit | null {
  const before = switchAt(rig, slot)
  if (modeOf(before) === mode) return null
  const [first = [], second = []] = before.positions
  const positions = mode === 'recall' ? [first] : [first, second]
  return { label: 'setMode', changes: [putSwitch(rig, { ...before, positions, release: [] })] }
}
