import { dequal } from 'dequal/lite'
import { own } from '#core/base'
import type { Edit } from '../edit'
import type { Rig } from '../rig'
import type { SwitchId } from '../table/switch'
import { putSwitch, switchAt, type SwitchSlot } from './switchSlot'

/** Makes another footswitch do the same, over what it did before. Null when it does already. */
export function copySwitch(rig: Rig, from: SwitchId, to: SwitchSlot): Edit | null {
  const source = own(rig.switches, from)
  if (!source) return null
  const target = switchAt(rig, to)
  if (target.id === source.id) return null
  // All that it does; where it is stays the target's.
  const { id, bankId, number, jack, layer } = target
  const after = { ...source, id, bankId, number, jack, layer, everywhere: target.everywhere }
  return dequal(after, target) ? null : { label: 'copySwitch', changes: [putSwitch(rig, after)] }
}
