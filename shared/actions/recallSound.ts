import { own } from '#core/base'
import type { ActionOf } from '#core/rig'
import { formatCell, spokenCells, wantsOf, type Want } from '#core/sound'
import type { ActionText } from './actionText'

/** What the sound says of each device; those it leaves alone are not named. */
export const recallSound: ActionText<ActionOf<'recallSound'>> = {
  name: 'Sound',
  lines: (rig, { soundId }) => {
    const sound = own(rig.sounds, soundId)
    const wants = sound ? wantsOf(rig, sound) : new Map<string, Want>()
    return [...(sound ? spokenCells(rig, sound) : [])].flatMap(([id, { cell }]) => {
      const device = own(rig.devices, id)
      return device && cell.kind !== 'leave'
        ? [
            {
              key: id,
              device: device.name,
              state: formatCell(rig, device, cell),
              isByFoot: wants.get(id)?.kind === 'foot',
            },
          ]
        : []
    })
  },
  isOneThing: true,
  short: (rig, { soundId }) => own(rig.sounds, soundId)?.name ?? '',
}
