import { own } from '#core/base'
import { change, type Edit, type Rig, type DeviceId, type Cell, type Sound } from '#core/rig'

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
