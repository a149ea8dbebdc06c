import { roomFor, type Room } from './roomFor'
import {
  layCable,
  suggestCable,
  receivers,
  boxName,
  cablesIn,
  isForMidi,
  cutOff,
  isReached,
  type Rig,
} from '#core/rig'
import type { FindingOf } from '../finding'

export type NoPath = FindingOf<
  'noPath',
  {
    readonly device: string
    /** No cable in it at all, or cables that lead to no controller. */
    readonly why: 'uncabled' | 'leadsNowhere'
    /** Where the fix would plug it in; null when there is no free jack. */
    readonly source: string | null
    /** The box the fix puts in where no jack is free. */
    readonly room: Pick<Room, 'box' | 'behind' | 'supply'> | null
  }
>

/**
 * A receiver no message reaches, with nothing else to blame: where a wrong setting, adapter or lead on the
 * way is the reason, that is the finding. The fix lays the cable.
 */
export function noPath(rig: Rig): NoPath[] {
  if (Object.keys(rig.controllers).length === 0) return []
  return receivers(rig).flatMap((device): NoPath[] => {
    if (isReached(rig, device.id) || cutOff(rig).has(device.id)) return []
    const cable = suggestCable(rig, device)
    const room = cable ? null : roomFor(rig, device)
    const fix = cable ? layCable(rig, cable) : room?.edit
    // A power cable brings no messages.
    const isCabled = device.ports.some((port) => cablesIn(rig, device.id, port.id).some(isForMidi))
    return [
      {
        code: 'noPath',
        severity: 'error',
        about: { table: 'devices', id: device.id },
        facts: {
          device: device.name,
          why: isCabled ? 'leadsNowhere' : 'uncabled',
          source: cable && boxName(rig, cable.from.id),
          room: room && { box: room.box, behind: room.behind, supply: room.supply },
        },
        ...(fix && { fix }),
      },
    ]
  })
}
