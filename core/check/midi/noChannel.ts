import type { Channel } from '#core/base'
import { nextFreeChannel, receivers, editRow, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type NoChannel = FindingOf<
  'noChannel',
  { readonly device: string; readonly free: Channel | null; readonly isFixed: boolean }
>

/** A receiver set to no channel hears nothing. */
export function noChannel(rig: Rig): NoChannel[] {
  return receivers(rig).flatMap((device): NoChannel[] => {
    if (device.channel !== 'none') return []
    const free = device.isChannelFixed ? null : nextFreeChannel(rig, 0, device)
    const fix = free && editRow(rig, 'setChannel', 'devices', device.id, { channel: free })
    return [
      {
        code: 'noChannel',
        severity: 'error',
        about: { table: 'devices', id: device.id, field: 'channel' },
        facts: { device: device.name, free, isFixed: device.isChannelFixed },
        ...(fix && { fix }),
      },
    ]
  })
}
