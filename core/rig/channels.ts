import { CHANNELS, type Channel, accept, refuse, type Result } from '#core/base'
import { arrivals } from './cabling/signal'
import { change, type Change, type Edit } from './edit'
import { CABLING, perTables } from './perTables'
import { inOrder, type Rig } from './rig'
import type { Device } from './table/device'

/** The devices that answer to MIDI, in their order. */
export const receivers = perTables(['devices'], (rig: Rig): readonly Device[] =>
  inOrder(rig.devices).filter(({ kind }) => kind === 'receiver'),
)

/**
 * The outputs a device hears: one for each controller that reaches it, or that and the output when the
 * controller keeps its outputs apart, each with 16 channels of its own.
 */
const lanesOf = perTables(CABLING, (rig: Rig): ReadonlyMap<string, readonly string[]> => {
  const lanes = new Map<string, readonly string[]>()
  for (const { id, separateOutputs } of inOrder(rig.controllers))
    for (const [box, { out }] of arrivals(rig, id))
      lanes.set(box, [...(lanes.get(box) ?? []), separateOutputs ? `${id}/${out}` : id])
  return lanes
})

/** Whether a message for one could reach the other. A device nothing reaches yet may end up anywhere. */
export function canOverhear(rig: Rig, a: Device, b: Device): boolean {
  const [ofA, ofB] = [lanesOf(rig).get(a.id), lanesOf(rig).get(b.id)]
  return !ofA || !ofB || ofA.some((lane) => ofB.includes(lane))
}

/** The receivers set to each of the 16 channels, in their order; omni and unset ones are in none. */
export const channelHolders = perTables(['devices'], (rig: Rig): ReadonlyMap<Channel, readonly Device[]> => {
  const holders = new Map<Channel, Device[]>(CHANNELS.map((channel) => [channel, []]))
  for (const device of receivers(rig))
    if (typeof device.channel === 'number') holders.get(device.channel)!.push(device)
  return holders
})

/**
 * The lowest channel that no device is set to, from `after` + 1 upwards and round again; null when all 16
 * are held. With `device`, only those that could overhear it count as holders.
 */
export function nextFreeChannel(rig: Rig, after = 0, device?: Device): Channel | null {
  const holders = channelHolders(rig)
  const isFree = (channel: Channel) =>
    !holders.get(channel)!.some((one) => !device || (one.id !== device.id && canOverhear(rig, one, device)))
  const free = CHANNELS.filter(isFree)
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

/** More devices than channels: `device` is the first left without. */
export interface TooManyDevices {
  readonly code: 'tooManyDevices'
  readonly device: string
  readonly devices: number
}

/**
 * Gives every receiver a channel of its own; null when each has one. Devices whose channel is fixed, or
 * shared on purpose, keep it; then those that alone hold theirs; then those a maker's default suits; the
 * rest take the lowest free ones. Devices on outputs kept apart may have the same channel.
 */
export function spreadChannels(rig: Rig): Result<Edit | null, TooManyDevices> {
  // A channel its maker fixed is no matter of choice, be it one, all or none.
  const devices = receivers(rig).filter(
    ({ isChannelFixed, channel }) => !isChannelFixed || typeof channel === 'number',
  )
  const given = new Map<string, Channel>()
  const isFree = (device: Device, channel: Channel) =>
    !devices.some((one) => given.get(one.id) === channel && canOverhear(rig, one, device))
  const keep = (device: Device, channel: Device['channel'], if_: boolean) => {
    if (if_ && typeof channel === 'number' && !given.has(device.id)) given.set(device.id, channel)
  }
  for (const device of devices) keep(device, device.channel, device.isChannelFixed || device.sharesChannel)
  const isAlone = (device: Device) =>
    typeof device.channel === 'number' &&
    !channelHolders(rig)
      .get(device.channel)!
      .some((one) => one.id !== device.id && canOverhear(rig, one, device))
  for (const device of devices) keep(device, device.channel, isAlone(device))
  for (const wanted of ['factoryChannel', 'channel'] as const)
    for (const device of devices) {
      const channel = device[wanted]
      // A maker's default is sensible only where it is what the device has now, or what nobody else wants.
      keep(device, channel, typeof channel === 'number' && isFree(device, channel))
    }
  for (const device of devices) {
    if (given.has(device.id)) continue
    const free = CHANNELS.find((channel) => isFree(device, channel))
    if (free === undefined)
      return refuse({ code: 'tooManyDevices', device: device.name, devices: devices.length })
    given.set(device.id, free)
  }
  const changes: Change[] = devices.flatMap((device) => {
    const channel = given.get(device.id)!
    return channel === device.channel ? [] : [change('devices', device.id, device, { ...device, channel })]
  })
  return accept(changes.length === 0 ? null : { label: 'spreadChannels', changes })
}
