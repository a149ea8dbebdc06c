import { findPort, partnersAmong } from '../cabling/link'
import { isSource, partsBetween } from '../cabling/wiring'
import { change, type Edit } from '../edit'
import { lastOrder, type Rig } from '../rig'
import type { Cable, CableEnd, CableId } from '../table/cable'
import { nextId } from './nextId'

/** What a cable is when nobody has measured it: from one side of a board to the other. */
const USUAL_CENTIMETRES = 60

/**
 * The cable for two jacks, with the lead and adapters that make it work; the ends are put in the order
 * in which messages, power or control run. Null when no role of one jack goes with any of the other.
 */
export function cableBetween(rig: Rig, a: CableEnd, b: CableEnd, id?: CableId): Cable | null {
  const [portA, portB] = [findPort(rig, a), findPort(rig, b)]
  const roles = portA && portB && a.id !== b.id ? partnersAmong(portA, portB) : null
  if (!roles) return null
  const [from, to] = isSource(roles.from) ? [a, b] : [b, a]
  const [source, target] = isSource(roles.from) ? [roles.from, roles.to] : [roles.to, roles.from]
  return {
    id: id ?? nextId(rig, 'cables'),
    order: lastOrder(rig.cables),
    from,
    to,
    ...partsBetween(source, target),
    centimetres: USUAL_CENTIMETRES,
    colour: '',
  }
}

/** Null when the two jacks have nothing to say to each other. */
export function layCable(rig: Rig, a: CableEnd, b: CableEnd, id?: CableId): Edit | null {
  const cable = cableBetween(rig, a, b, id)
  return cable && { label: 'layCable', changes: [change('cables', cable.id, null, cable)] }
}
