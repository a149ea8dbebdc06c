import type { Channel } from '#core/base'
import { canOverhear, channelHolders, nextFreeChannel, editRow, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type SharedChannel = FindingOf<
  'sharedChannel',
  {
    readonly channel: Channel
    readonly device: string
    readonly holder: string
    /** The one the fix moves. */
    readonly mover: string
    readonly free: Channel | null
  }
>

/**
 * Two devices on one channel both answer, unless each hears another output or both share on purpose. The
 * first in order keeps it; the others get the next free one.
 */
export function sharedChannel(rig: Rig): SharedChannel[] {
  return [...channelHolders(rig)].flatMap(([channel, holders]) =>
    holders.flatMap((device, n): SharedChannel[] => {
      const holder = holders
        .slice(0, n)
        .find((one) => canOverhear(rig, one, device) && !(one.sharesChannel && device.sharesChannel))
      if (!holder) return []
      const free = nextFreeChannel(rig, channel, device)
      // A device whose maker fixed the channel stays; the other one moves.
      const mover = device.isChannelFixed && !holder.isChannelFixed ? holder : device
      const fix =
        free === null || mover.isChannelFixed
          ? null
          : editRow(rig, 'setChannel', 'devices', mover.id, { channel: free })
      return [
        {
          code: 'sharedChannel',
          severity: 'error',
          about: { table: 'devices', id: device.id, field: 'channel' },
          facts: { channel, device: device.name, holder: holder.name, mover: mover.name, free },
          ...(fix && { fix }),
        },
      ]
    }),
  )
}
