import { own } from '../base/own'
import { canOverhear, sendChannel } from '../rig/channels'
import { inOrder, type Rig } from '../rig/rig'
import type { Device } from '../rig/table/device'
import { wantsOf, type Be } from '../sound/want'
import type { FindingOf } from './finding'

export type SoundClash = FindingOf<
  'soundClash',
  { readonly sound: string; readonly device: string; readonly other: string; readonly channel: number }
>

/** A sound that wants different things of two devices that hear the same messages: the one sent last wins on both. */
export function soundClash(rig: Rig): SoundClash[] {
  const told = new Set<string>()
  return inOrder(rig.sounds).flatMap((sound) => {
    const spoken = [...wantsOf(rig, sound)].flatMap(([id, want]): [Device, Be][] =>
      want.kind === 'be' && (want.preset !== null || want.sets.length > 0)
        ? [[own(rig.devices, id)!, want]]
        : [],
    )
    return spoken.flatMap(([device, want], n) =>
      spoken.slice(n + 1).flatMap(([other, its]): SoundClash[] => {
        const channel = sendChannel(rig, device)
        const isShared =
          channel !== null &&
          (sendChannel(rig, other) === channel || other.channel === 'omni' || device.channel === 'omni') &&
          canOverhear(rig, device, other)
        const isSame = want.preset === its.preset && want.sets.length + its.sets.length === 0
        const key = `${device.id}/${other.id}`
        if (!isShared || isSame || told.has(key)) return []
        told.add(key)
        return [
          {
            code: 'soundClash',
            severity: 'error',
            about: { table: 'sounds', id: sound.id, field: `cells.${other.id}` },
            facts: { sound: sound.name, device: device.name, other: other.name, channel },
          },
        ]
      }),
    )
  })
}
