import { own } from '#core/base'
import { formatDisplay, type ActionOf } from '#core/rig'
import { deviceName, deviceLine, type ActionText } from './actionText'

export const stepPreset: ActionText<ActionOf<'stepPreset'>> = {
  name: 'Next or previous preset',
  lines: (rig, { deviceId, by, from, to, list, atEnd }) => {
    const device = own(rig.devices, deviceId)
    if (!device) return []
    const shown = (index: number) =>
      index < device.numbering.count ? formatDisplay(device.numbering, index) : 'none'
    const isAll = list.length === 0 && from === 0 && to >= device.numbering.count - 1
    const among =
      list.length > 0
        ? ` of ${list.slice(0, 4).map(shown).join(', ')}${list.length > 4 ? ' ...' : ''}`
        : isAll
          ? ''
          : ` of ${shown(from)} to ${shown(Math.min(to, device.numbering.count - 1))}`
    return deviceLine(
      rig,
      deviceId,
      `${by === 1 ? 'next' : 'previous'} preset${among}${atEnd === 'stop' ? ', stops at the end' : ''}`,
    )
  },
  short: (rig, { deviceId, by }) => `${deviceName(rig, deviceId)}: ${by === 1 ? 'next' : 'previous'} preset`,
}
