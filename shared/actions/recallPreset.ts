import { own } from '#core/base'
import type { ActionOf } from '#core/rig'
import { presetText } from '#core/sound'
import { deviceName, type ActionText } from './actionText'

export const recallPreset: ActionText<ActionOf<'recallPreset'>> = {
  name: 'Preset',
  lines: (rig, { presetId }) => {
    const preset = own(rig.presets, presetId)
    const device = own(rig.devices, preset?.deviceId ?? '')
    return preset && device
      ? [
          {
            key: device.id,
            device: device.name,
            state: presetText(rig, device, preset.index),
            isByFoot: false,
          },
        ]
      : []
  },
  short: (rig, { presetId }) => {
    const preset = own(rig.presets, presetId)
    return preset ? `${deviceName(rig, preset.deviceId)}: ${preset.name || `preset ${preset.index}`}` : ''
  },
}
