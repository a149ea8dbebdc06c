import { findPort, partnersAmong } from '../cabling/link'
import { isSource, partsBetween } from '../cabling/wiring'
import { change, type Change, type Edit } from '../edit'
import { lastOrder, type Rig } from '../rig'
import type { Cable, CableEnd, CableId } from '../table/cable'
import type { Role } from '../table/port'
import { nextId } from './nextId'
import { editPort } from './setJack'

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

/**
 * Lays a cable and readies its jacks in the same edit: a shared jack is set to the role the cable asks
 * for, a jack that could hand messages on and is off is switched on, a relay is set to act as the other
 * end wants.
 */
export function layCable(rig: Rig, cable: Cable): Edit {
  const [from, to] = [findPort(rig, cable.from), findPort(rig, cable.to)]
  const roles = from && to ? partnersAmong(from, to) : null
  return {
    label: 'layCable',
    changes: [
      ...(roles
        ? [...readied(rig, cable.from, roles.from, roles.to), ...readied(rig, cable.to, roles.to, roles.from)]
        : []),
      change('cables', cable.id, null, cable),
    ],
  }
}

/** Plugs a cable in elsewhere, and readies the jacks as {@link layCable} does. */
export function moveCable(rig: Rig, before: Cable, after: Cable): Edit {
  const { changes } = layCable(rig, after)
  return {
    label: 'changeCable',
    changes: changes.map((one) =>
      one.table === 'cables' ? change('cables', before.id, before, after) : one,
    ),
  }
}

function readied(rig: Rig, end: CableEnd, wanted: Role, other: Role): readonly Change[] {
  const edit = editPort(rig, 'setJack', end.id, end.port, (port) => {
    const role = port.roles.indexOf(wanted)
    const ready = readyRole(wanted, other)
    if (role === port.role && ready === wanted) return port
    return { ...port, role, roles: port.roles.with(role, ready) }
  })
  return edit?.changes ?? []
}

/** The role as it must be set for the other end; the same object when it is so already. */
function readyRole(role: Role, other: Role): Role {
  if ('passes' in role && role.passes === 'off') return { ...role, passes: 'on' }
  if (role.kind !== 'switchOut' || role.by !== 'relay' || other.kind !== 'switchIn') return role
  const action = other.action === 'either' ? role.action : other.action
  return role.rest === other.rest && role.action === action ? role : { ...role, rest: other.rest, action }
}
