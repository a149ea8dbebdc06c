import { own } from '#core/base'
import { alterRole, boxName, boxOf, arrivals, receivers, inOrder, type Rig, roleOf } from '#core/rig'
import type { FindingOf } from '../finding'

export type BlockedChannel = FindingOf<
  'blockedChannel',
  { readonly device: string; readonly channel: number; readonly box: string; readonly jack: string }
>

/** A device whose channel is kept back by a jack on the way to it. */
export function blockedChannel(rig: Rig): BlockedChannel[] {
  return receivers(rig).flatMap((device): BlockedChannel[] => {
    const { channel } = device
    if (typeof channel !== 'number') return []
    const ways = inOrder(rig.controllers).flatMap(({ id }) => {
      const arrival = arrivals(rig, id).get(device.id)
      return arrival ? [{ from: id as string, arrival }] : []
    })
    if (ways.length === 0 || ways.some(({ arrival }) => arrival.channels.includes(channel))) return []
    const { from, arrival } = ways[0]!
    const at = [from, ...arrival.through].flatMap((boxId) =>
      boxOf(rig, boxId)!.ports.flatMap((port) => {
        const role = roleOf(port)
        const isOnWay = arrival.cables.some(
          (cable) =>
            own(rig.cables, cable)!.from.id === boxId && own(rig.cables, cable)!.from.port === port.id,
        )
        return isOnWay && role.kind === 'midiOut' && role.blocks.includes(channel)
          ? [{ boxId, port, blocks: role.blocks }]
          : []
      }),
    )[0]
    if (!at) return []
    const blocks = at.blocks.filter((one) => one !== channel)
    const fix = alterRole(rig, at.boxId, at.port.id, { blocks })
    return [
      {
        code: 'blockedChannel',
        severity: 'error',
        about: { table: 'devices', id: device.id, field: 'channel' },
        facts: { device: device.name, channel, box: boxName(rig, at.boxId), jack: at.port.name },
        ...(fix && { fix }),
      },
    ]
  })
}
