import { own, presetText, type ActionOf } from '#core'
import type { ActionText } from './actionText'

export const recallPreset: ActionText<ActionOf<'recallPreset'>> = (rig, { presetId }) => {
  const preset = own(rig.presets, presetId)
  const device = own(rig.devices, preset?.deviceId ?? '')
  return preset && device
    ? [{ key: device.id, device: device.name, state: presetText(rig, device, preset.index), isByFoot: false }]
    : []
}
