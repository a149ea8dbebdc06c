import { CHANNELS, type Channel } from '../base/channel'
import { inOrder, type Rig } from './rig'
import type { Device } from './table/device'

/** The devices set to each of the 16 channels, in their order; omni and unset devices are in none. */
export function channelHolders(rig: Rig): ReadonlyMap<Channel, readonly Device[]> {
  const holders = new Map<Channel, Device[]>(CHANNELS.map((channel) => [channel, []]))
  for (const device of inOrder(rig.devices))
    if (typeof device.channel === 'number') holders.get(device.channel)!.push(device)
  return holders
}

/** The lowest channel no device is set to, from `after` + 1 upwards and round again; null when all 16 are held. */
export function nextFreeChannel(rig: Rig, after = 0): Channel | null {
  const holders = channelHolders(rig)
  const free = CHANNELS.filter((channel) => holders.get(channel)!.length === 0)
  return free.find((channel) => channel > after) ?? free[0] ?? null
}

/**
 * The channel on which a device is spoken to: its own; for an omni device, which answers on all, the
 * lowest free one, so that nothing else answers with it; null when it answers on none.
 */
export function sendChannel(rig: Rig, { channel }: Pick<Device, 'channel'>): Channel | null {
  if (channel === 'none') return null
  return channel === 'omni' ? (nextFreeChannel(rig) ?? CHANNELS[0]!) : channel
}
