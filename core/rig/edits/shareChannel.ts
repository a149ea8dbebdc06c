import type { Channel } from '#core/base'
import { channelHolders } from '../channels'
import { change, type Edit } from '../edit'
import type { Rig } from '../rig'

/** Marks every device on a channel as sharing it on purpose, or no longer. Null when nothing changes. */
export function shareChannel(rig: Rig, channel: Channel, sharesChannel: boolean): Edit | null {
  const changes = channelHolders(rig)
    .get(channel)!
    .filter((device) => device.sharesChannel !== sharesChannel)
    .map((device) => change('devices', device.id, device, { ...device, sharesChannel }))
  return changes.length === 0 ? null : { label: 'setPanel', changes }
}
