import {
  change,
  type Edit,
  type EditLabel,
  editRow,
  findPreset,
  type Rig,
  type Device,
  BLANK_PRESET,
  type Preset,
  type PresetId,
} from '#core/rig'

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
