import { CABLING, perTables } from '../perTables'
import { inOrder, type Rig } from '../rig'
import type { ControllerId } from '../table/controller'
import type { Device } from '../table/device'
import { jackContactIds } from '../table/contactId'
import type { Port, RoleOf } from '../table/port'
import { asRoles, links, type Link } from './link'

/** One contact of a switching output of a controller; `pole` counts from 0, number one first. */
export interface Output {
  readonly controllerId: ControllerId
  readonly port: string
  readonly pole: number
}

/** Something that can be closed for a device. */
export interface Contact {
  readonly id: string
  readonly name: string
  /** What closes it: an output of a controller; null for a relay box, whose programs close its contacts. */
  readonly output: Output | null
}

/** The conductor a contact of a jack is on: number one is on `first`. */
const conductor = ({ first }: Pick<RoleOf<'switchIn'>, 'first'>, pole: number): 'tip' | 'ring' =>
  pole === 0 ? first : first === 'tip' ? 'ring' : 'tip'

const polesOf = (poles: number) => Array.from({ length: poles }, (_, n) => n)

/** The contacts of a jack that an output closes, through one cable. */
function closedBy(link: Link): Contact[] {
  const roles = asRoles(link, 'switchOut', 'switchIn')
  if (!roles || link.from.end.table !== 'controllers' || roles.from.by !== 'relay' || !link.isSet) return []
  const { port } = link.to
  return polesOf(roles.to.poles).flatMap((pole): Contact[] => {
    const from = polesOf(roles.from.poles).find(
      (one) => conductor(roles.from, one) === conductor(roles.to, pole),
    )
    if (from === undefined || (link.cable.lead === 'ts' && conductor(roles.to, pole) === 'ring')) return []
    return [
      {
        id: jackContactIds(port, roles.to)[pole]!,
        name: roles.to.does[pole] || port.name,
        output: { controllerId: link.from.end.id as ControllerId, port: link.from.port.id, pole: from },
      },
    ]
  })
}

const byDevice = perTables(CABLING, (rig: Rig): ReadonlyMap<string, readonly Contact[]> => {
  const all = new Map<string, Contact[]>()
  for (const { id, relays } of inOrder(rig.devices))
    if (relays.length > 0)
      all.set(
        id,
        relays.map((relay) => ({ id: relay.id, name: relay.name, output: null })),
      )
  for (const link of links(rig))
    for (const contact of closedBy(link)) {
      const { id } = link.to.end
      const known = all.get(id) ?? []
      // Two outputs on one contact: the first one laid is what is spoken of.
      if (!known.some((one) => one.id === contact.id)) all.set(id, [...known, contact])
    }
  return all
})

const NONE: readonly Contact[] = []

/** The contacts of a device that can be closed: a relay box's own, or those of its jacks a controller closes. */
export const contactsOf = (rig: Rig, { id }: Pick<Device, 'id'>): readonly Contact[] =>
  byDevice(rig).get(id) ?? NONE

/** The jack of a device that a contact is on, and the role in which it has that; null for a relay's own, or one that is gone. */
export function jackOfContact(
  { ports }: Pick<Device, 'ports'>,
  contactId: string,
): { readonly port: Port; readonly role: RoleOf<'switchIn'> } | null {
  for (const port of ports)
    for (const role of port.roles)
      if (role.kind === 'switchIn' && jackContactIds(port, role).includes(contactId)) return { port, role }
  return null
}

/**
 * The contacts a sound can say of a device: those that keep what they are set to. What takes taps, or works a looper, is
 * stepped on and never set.
 */
export function heldContacts(rig: Rig, device: Device): readonly Contact[] {
  const stepped = new Set<string>([
    ...(device.tapIn?.place.kind === 'contact' ? [device.tapIn.place.contactId] : []),
    ...(device.looper?.inputs ?? []).flatMap(({ by }) => (by?.kind === 'contact' ? [by.contactId] : [])),
  ])
  const all = contactsOf(rig, device)
  return stepped.size === 0 ? all : all.filter(({ id }) => !stepped.has(id))
}

/** Whether a relay box among the devices switches this one: what it does is then said of the box. */
export const isSwitchedByBox = (rig: Rig, { id }: Pick<Device, 'id'>): boolean =>
  links(rig).some(
    (link) =>
      link.to.end.id === id &&
      asRoles(link, 'switchOut', 'switchIn') !== null &&
      link.from.end.table === 'devices' &&
      'relays' in link.from.box &&
      link.from.box.relays.length > 0,
  )
