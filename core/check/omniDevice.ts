import type { Channel } from '../base/channel'
import { nextFreeChannel, receivers } from '../rig/channels'
import { editRow } from '../rig/edits/editRow'
import type { Rig } from '../rig/rig'
import type { FindingOf } from './finding'

export type OmniDevice = FindingOf<
  'omniDevice',
  { readonly device: string; readonly others: number; readonly free: Channel | null }
>

/** A device that answers to what is meant for others. Alone it does no harm. */
export function omniDevice(rig: Rig): OmniDevice[] {
  const all = receivers(rig)
  if (all.length < 2) return []
  return all.flatMap((device): OmniDevice[] => {
    if (device.channel !== 'omni') return []
    const free = device.isChannelFixed ? null : nextFreeChannel(rig)
    const fix = free && editRow(rig, 'setChannel', 'devices', device.id, { channel: free })
    return [
      {
        code: 'omniDevice',
        severity: 'warning',
        about: { table: 'devices', id: device.id, field: 'channel' },
        facts: { device: device.name, others: all.length - 1, free },
        ...(fix && { fix }),
      },
    ]
  })
}
