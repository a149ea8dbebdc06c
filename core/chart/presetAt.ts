import { change, type Edit, type EditLabel } from '../rig/edit'
import { editRow } from '../rig/edits/editRow'
import { findPreset } from '../rig/edits/setRecall'
import type { Rig } from '../rig/rig'
import type { Device } from '../rig/table/device'
import { BLANK_PRESET, type Preset, type PresetId } from '../rig/table/preset'

/** Changes fields of the preset at a place, which is made when the device has no row there yet. Null when nothing changes. */
export function editPresetAt(
  rig: Rig,
  label: EditLabel,
  device: Device,
  index: number,
  newId: PresetId,
  fields: Partial<Preset>,
): Edit | null {
  const before = findPreset(rig, device.id, index)
  if (before) return editRow(rig, label, 'presets', before.id, fields)
  const made: Preset = { ...BLANK_PRESET, id: newId, deviceId: device.id, index, ...fields }
  return { label, changes: [change('presets', newId, null, made)] }
}
