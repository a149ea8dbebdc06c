import { own } from '#core/base'
import { boxOf } from '../cabling/link'
import { change, type Edit, type EditLabel } from '../edit'
import type { Rig } from '../rig'
import type { Port, Role } from '../table/port'

/** Changes one jack of a box. Null when there is no such jack or nothing changes. */
export function editPort(
  rig: Rig,
  label: EditLabel,
  boxId: string,
  portId: string,
  alter: (port: Port) => Port,
): Edit | null {
  const box = boxOf(rig, boxId)
  const at = box?.ports.findIndex(({ id }) => id === portId) ?? -1
  const port = box?.ports[at]
  if (!box || !port) return null
  const altered = alter(port)
  if (altered === port) return null
  const ports = box.ports.with(at, altered)
  const controller = own(rig.controllers, boxId)
  const device = own(rig.devices, boxId)
  return {
    label,
    changes: [
      controller
        ? change('controllers', boxId, controller, { ...controller, ports })
        : change('devices', boxId, device!, { ...device!, ports }),
    ],
  }
}

/** Sets a shared jack to the role counted from 0. Null when it is that already. */
export const setRole = (rig: Rig, boxId: string, portId: string, role: number): Edit | null =>
  editPort(rig, 'setJack', boxId, portId, (port) => (port.role === role ? port : { ...port, role }))

/** Changes settings of the role a jack has now, or of another of its roles. Null when nothing changes. */
export const alterRole = (
  rig: Rig,
  boxId: string,
  portId: string,
  fields: Partial<Role>,
  role?: number,
): Edit | null =>
  editPort(rig, 'setJack', boxId, portId, (port) => {
    const at = role ?? port.role
    const before = port.roles[at]!
    const isSame = Object.entries(fields).every(([field, value]) => Reflect.get(before, field) === value)
    return isSame ? port : { ...port, roles: port.roles.with(at, { ...before, ...fields } as Role) }
  })
