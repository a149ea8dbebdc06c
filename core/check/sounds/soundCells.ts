import { own } from '#core/base'
import { perTables, inOrder, type Rig, type Device, type DeviceId, type Sound } from '#core/rig'
import { spokenCells, wantsOf, type Want } from '#core/sound'
import { COMPILE_KEYS } from '#core/switching'

/** One device in one sound. `isOwn` where the sound itself says it, and not one it follows, or nobody. */
export interface SoundCell {
  readonly sound: Sound
  readonly device: Device
  readonly want: Want
  readonly isOwn: boolean
  readonly isSpoken: boolean
}

/** All devices of all sounds, in their order; shared by the checks on sounds. */
export const soundCells = perTables(COMPILE_KEYS, (rig: Rig): readonly SoundCell[] =>
  inOrder(rig.sounds).flatMap((sound) => {
    const said = spokenCells(rig, sound)
    return [...wantsOf(rig, sound)].map(([id, want]) => {
      const spoken = said.get(id)
      return {
        sound,
        device: own(rig.devices, id)!,
        want,
        isOwn: spoken?.by === sound,
        isSpoken: spoken !== undefined,
      }
    })
  }),
)

/** Where a finding about a cell points. */
export const aboutCell = (sound: Sound, deviceId: DeviceId) => ({
  table: 'sounds' as const,
  id: sound.id,
  field: `cells.${deviceId}`,
})
