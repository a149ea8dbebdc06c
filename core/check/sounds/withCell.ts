import { own } from '../../base/own'
import { change, type Edit } from '../../rig/edit'
import type { Rig } from '../../rig/rig'
import type { DeviceId } from '../../rig/table/device'
import type { Cell, Sound } from '../../rig/table/sound'

/** An edit that puts one cell. */
export function withCell(rig: Rig, sound: Sound, deviceId: DeviceId, cell: Cell): Edit {
  const others = sound.cells.filter((one) => one.deviceId !== deviceId)
  return {
    label: 'setCell',
    changes: [
      change('sounds', sound.id, own(rig.sounds, sound.id) ?? null, {
        ...sound,
        cells: [...others, { deviceId, cell }],
      }),
    ],
  }
}
