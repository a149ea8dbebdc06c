import { boxes, boxOf, type Box } from '../cabling/link'
import { isMidi } from '../cabling/wiring'
import type { Rig } from '../rig'
import type { Cable, CableEnd } from '../table/cable'
import type { Port } from '../table/port'
import { cableBetween } from './layCable'
import { endOf, isFree } from './suggestCable'

/** A jack another jack could be cabled to, with the cable it would take. */
export interface PlugChoice {
  readonly box: Box
  readonly port: Port
  readonly end: CableEnd
  readonly cable: Cable
}

/** Free jacks that go with this one, those that need the fewest adapters first, then in the order of the boxes. */
export function plugChoices(rig: Rig, boxId: string, portId: string): PlugChoice[] {
  const own = endOf(rig, boxId, portId)
  return boxes(rig)
    .filter(({ id }) => id !== boxId)
    .flatMap((box) =>
      box.ports.flatMap((port): PlugChoice[] => {
        const end = endOf(rig, box.id, port.id)
        const cable = isFree(rig, box.id, port) ? cableBetween(rig, own, end) : null
        return cable ? [{ box, port, end, cable }] : []
      }),
    )
    .sort((a, b) => a.cable.adapters.length - b.cable.adapters.length)
}

/** The cable a player most likely means between two boxes, by free jacks of both: MIDI first, then the fewest adapters. */
export function likelyCable(rig: Rig, from: string, to: string): Cable | null {
  const source = boxOf(rig, from)
  if (!source) return null
  const choices = source.ports
    .filter((port) => isFree(rig, from, port))
    .flatMap((port) =>
      plugChoices(rig, from, port.id)
        .filter(({ box }) => box.id === to)
        .map(({ cable, port: other }) => ({
          cable,
          // Messages run from the box the player began at.
          score:
            cable.adapters.length +
            (port.roles.some(isMidi) && other.roles.some(isMidi) ? 0 : 10) +
            (cable.from.id === from ? 0 : 3) +
            (cable.lead === 'power' ? 20 : 0),
        })),
    )
  return choices.sort((a, b) => a.score - b.score)[0]?.cable ?? null
}
