import type { Edit } from '../edit'
import type { Rig } from '../rig'
import { putSwitch, switchAt, type SwitchSlot } from './switchSlot'

/** Null when the label is that already. */
export function labelSwitch(rig: Rig, slot: SwitchSlot, label: string): Edit | null {
  const before = switchAt(rig, slot)
  return before.label === label
    ? null
    : { label: 'labelSwitch', changes: [putSwitch(rig, { ...before, label })] }
}
