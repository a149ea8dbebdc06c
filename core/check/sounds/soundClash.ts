import {
  canOverhear,
  receivers,
  sendChannel,
  CABLING,
  perTables,
  inOrder,
  type Rig,
  type Device,
} from '#core/rig'
import { wantsOf, type Be, type Want } from '#core/sound'
import type { FindingOf } from '../finding'

export type SoundClash = FindingOf<
  'soundClash',
  { readonly sound: string; readonly device: string; readonly other: string; readonly channel: number }
>

/** Devices that hear what is sent to the other. */
const sharing = perTables(CABLING, (rig: Rig): readonly (readonly [Device, Device, number])[] => {
  const all = receivers(rig)
  return all.flatMap((device, n) => {
    const channel = sendChannel(rig, device)
    return all.slice(n + 1).flatMap((other): [Device, Device, number][] => {
      const isShared =
        channel !== null &&
        (sendChannel(rig, other) === channel || other.channel === 'omni' || device.channel === 'omni') &&
        canOverhear(rig, device, other)
      return isShared ? [[device, other, channel]] : []
    })
  })
})

/** A sound that wants different things of two devices that hear the same messages: the one sent last wins on both. */
export const soundClash = (rig: Rig): SoundClash[] =>
  sharing(rig).flatMap(([device, other, channel]): SoundClash[] => {
    const sound = inOrder(rig.sounds).find((one) => {
      const [its, others] = [wantsOf(rig, one).get(device.id), wantsOf(rig, one).get(other.id)]
      return isSent(its) && isSent(others) && !isSame(its, others)
    })
    return sound
      ? [
          {
            code: 'soundClash',
            severity: 'error',
            about: { table: 'sounds', id: sound.id, field: `cells.${other.id}` },
            facts: { sound: sound.name, device: device.name, other: other.name, channel },
          },
        ]
      : []
  })

const isSent = (want: Want | undefined): want is Be =>
  want?.kind === 'be' && (want.preset !== null || want.sets.length > 0)

const isSame = (a: Be, b: Be): boolean => a.preset === b.preset && a.sets.length + b.sets.length === 0
