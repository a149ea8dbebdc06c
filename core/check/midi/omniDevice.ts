import type { Channel } from '#core/base'
import { canOverhear, nextFreeChannel, receivers, editRow, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type OmniDevice = FindingOf<
  'omniDevice',
  { readonly device: string; readonly others: number; readonly free: Channel | null }
>

/** A device that answers to what is meant for others. Alone it does no harm. */
export function omniDevice(rig: Rig): OmniDevice[] {
  const all = receivers(rig)
  return all.flatMap((device): OmniDevice[] => {
    if (device.channel !== 'omni') return []
    // On an output of its own it hears nothing that is meant for others.
    const others = all.filter((one) => one.id !== device.id && canOverhear(rig, one, device))
    if (others.length === 0) return []
    const free = device.isChannelFixed ? null : nextFreeChannel(rig, 0, device)
    const fix = free && editRow(rig, 'setChannel', 'devices', device.id, { channel: free })
    return [
      {
        code: 'omniDevice',
        severity: 'warning',
        about: { table: 'devices', id: device.id, field: 'channel' },
        facts: { device: device.name, others: others.length, free },
        ...(fix && { fix }),
      },
    ]
  })
}
