import { own } from '#core/base'
import { boxes, cablesIn, partnersAmong, type Box } from '../cabling/link'
import { arrivals, isReached } from '../cabling/signal'
import { isTwoWay } from '../cabling/wiring'
import { inOrder, type Rig } from '../rig'
import type { Cable, CableEnd, CableId } from '../table/cable'
import { roleOf, type Port, type Role, type RoleKind } from '../table/port'
import { cableBetween } from './layCable'

/** What a box wants to be plugged into first. */
function wants(box: Box): readonly RoleKind[] {
  if (!('kind' in box)) return []
  switch (box.kind) {
    case 'receiver':
    case 'box':
      return ['midiIn', 'usb', 'air']
    case 'plain':
      return ['switchIn', 'expressionIn']
    case 'pedal':
      return ['switchOut', 'expressionOut']
    case 'supply':
      return []
  }
}

/** A jack as the end of a cable. */
export const endOf = (rig: Rig, boxId: string, port: string): CableEnd => ({
  table: own(rig.controllers, boxId) ? 'controllers' : 'devices',
  id: boxId,
  port,
})

/** Whether a cable more would go into a jack. */
export function isFree(rig: Rig, boxId: string, port: Port): boolean {
  const { kind } = roleOf(port)
  return kind === 'air' || kind === 'powerOut' || cablesIn(rig, boxId, port.id).length === 0
}

/**
 * The cable a player would lay to bring a box into the rig: from the controller or the end of the chain
 * with the fewest adapters, then the fewest boxes in between. Null when there is no free jack for it.
 */
export function suggestCable(rig: Rig, box: Box, id?: CableId): Cable | null {
  const own = box.ports.filter(
    (port) => isFree(rig, box.id, port) && port.roles.some(({ kind }) => wants(box).includes(kind)),
  )
  const offers = sources(rig, box).flatMap(({ box: source, port, hops }) =>
    own.flatMap((mine) => {
      const roles = partnersAmong(port, mine)
      if (!roles || !wants(box).includes(roles.to.kind) || !wouldCarry(roles.from, roles.to)) return []
      const cable = cableBetween(rig, endOf(rig, source.id, port.id), endOf(rig, box.id, mine.id), id)
      return cable
        ? [{ cable, score: cable.adapters.length * 4 + hops + (roles.to.kind === 'usb' ? 2 : 0) }]
        : []
    }),
  )
  return offers.sort((a, b) => a.score - b.score)[0]?.cable ?? null
}

/** Two USB devices have nothing to say to each other. */
const wouldCarry = (one: Role, other: Role): boolean =>
  one.kind !== 'usb' || other.kind !== 'usb' || one.end !== other.end

/** Free jacks a box could be cabled to: the controllers', and those of boxes already reached that hand on. */
function sources(rig: Rig, box: Box): { box: Box; port: Port; hops: number }[] {
  const [main] = inOrder(rig.controllers)
  const reached = main ? arrivals(rig, main.id) : new Map<string, never>()
  return boxes(rig)
    .filter((one) => one.id !== box.id)
    .flatMap((one) =>
      one.ports
        .filter((port) => isFree(rig, one.id, port) && handsOn(rig, one, port))
        .map((port) => ({
          box: one,
          port,
          hops: own(rig.controllers, one.id) ? 0 : 1 + hopsTo(reached, one.id),
        })),
    )
}

const hopsTo = (reached: ReadonlyMap<string, { through: readonly string[] }>, id: string): number =>
  reached.get(id)?.through.length ?? 4

/** A controller's own jack; of other boxes only one that passes on, or that takes or gives a contact or a sweep. */
function handsOn(rig: Rig, box: Box, port: Port): boolean {
  const role = roleOf(port)
  if (role.kind === 'midiOut' || isTwoWay(role.kind))
    return (
      Boolean(own(rig.controllers, box.id)) ||
      ('passes' in role && role.passes !== 'never' && isReached(rig, box.id))
    )
  return role.kind !== 'midiIn'
}
