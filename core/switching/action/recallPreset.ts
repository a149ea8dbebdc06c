import { own } from '../../base/own'
import { sendChannel } from '../../rig/channels'
import { recallMessages } from '../../rig/numbering/address'
import type { ActionOf } from '../../rig/table/action'
import type { ActionDoes } from './actionDoes'

/** Bank select as the device takes it, and the program change. */
export const recallPreset: ActionDoes<ActionOf<'recallPreset'>> = {
  steps: (rig, { presetId }) => {
    const preset = own(rig.presets, presetId)
    const device = own(rig.devices, preset?.deviceId ?? '')
    const channel = device ? sendChannel(rig, device) : null
    if (!preset || !device || channel === null) return []
    return recallMessages(device.numbering, channel, preset.index).map((message) => ({
      kind: 'send',
      message,
      deviceId: device.id,
    }))
  },
  recalls: (rig, { presetId }) => {
    const preset = own(rig.presets, presetId)
    return preset ? [{ deviceId: preset.deviceId, index: preset.index }] : []
  },
}
