import { cutText } from '#core/base'
import {
  change,
  type Change,
  type Edit,
  findPreset,
  formatDisplay,
  type Rig,
  type Device,
  NAME_MAX,
  BLANK_PRESET,
  type PresetId,
} from '#core/rig'

/**
 * Names a run of presets at once, both ends included, counted from 0; "#" in the name becomes the number the
 * device shows. Presets that have a name keep it. Null when nothing changes.
 */
export function fillPresets(
  rig: Rig,
  device: Device,
  from: number,
  to: number,
  name: string,
  newId: () => PresetId,
): Edit | null {
  const changes: Change[] = []
  for (let index = Math.min(from, to); index <= Math.max(from, to); index++) {
    const before = findPreset(rig, device.id, index)
    const named = cutText(name.replaceAll('#', formatDisplay(device.numbering, index)), NAME_MAX)
    if (before && before.name !== '') continue
    changes.push(
      before
        ? change('presets', before.id, before, { ...before, name: named })
        : newPreset({ ...BLANK_PRESET, id: newId(), deviceId: device.id, index, name: named }),
    )
  }
  return changes.length === 0 ? null : { label: 'fillPresets', changes }
}

const newPreset = (preset: Extract<Change, { table: 'presets' }>['after'] & object): Change =>
  change('presets', preset.id, null, preset)
