import type { Channel } from '../base/channel'
import { channelHolders, nextFreeChannel } from '../rig/channels'
import { editRow } from '../rig/edits/editRow'
import type { Rig } from '../rig/rig'
import type { FindingOf } from './finding'

export type SharedChannel = FindingOf<
  'sharedChannel',
  {
    readonly channel: Channel
    readonly device: string
    readonly holder: string
    readonly free: Channel | null
  }
>

/** Two devices on one channel both answer. The first in order keeps it; the others get the next free one. */
export function sharedChannel(rig: Rig): SharedChannel[] {
  return [...channelHolders(rig)].flatMap(([channel, [holder, ...others]]) =>
    others.map((device) => {
      const free = nextFreeChannel(rig, channel)
      const fix = free === null ? null : editRow(rig, 'setChannel', 'devices', device.id, { channel: free })
      return {
        code: 'sharedChannel',
        severity: 'error',
        about: { table: 'devices', id: device.id, field: 'channel' },
        facts: { channel, device: device.name, holder: holder!.name, free },
        ...(fix && { fix }),
      } as const
    }),
  )
}
