import type { Edit } from '../edit'
import type { Rig } from '../rig'
import type { Footswitch } from '../table/switch'
import { putSwitch, switchAt, type SwitchSlot } from './switchSlot'

/** How a footswitch works: the same each press, two states in turn, or one down and one up. */
export type SwitchMode = 'recall' | 'alternate' | 'hold' | 'cycle'

/** The kind of switch its lists make of it. */
export function modeOf({ positions, release }: Footswitch): SwitchMode {
  if (positions.length === 1) return release.length > 0 ? 'hold' : 'recall'
  return positions.length === 2 ? 'alternate' : 'cycle'
}

/**
 * Changes how many positions there are: one, two, or three and more. Those that are kept keep what they do; what the
 * others did comes back with undo. Null when nothing changes.
 */
export function setMode(rig: Rig, slot: SwitchSlot, mode: 'recall' | 'alternate' | 'cycle'): Edit | null {
  const before = switchAt(rig, slot)
  const count = mode === 'cycle' ? Math.max(3, before.positions.length) : mode === 'alternate' ? 2 : 1
  if (before.positions.length === count) return null
  const positions = Array.from({ length: count }, (_, n) => before.positions[n] ?? [])
  return {
    label: 'setMode',
    changes: [putSwitch(rig, { ...before, positions, lamps: before.lamps.slice(0, count) })],
  }
}
