import { own } from '#core/base'
import { inOrder, type Rig } from '../rig'
import { CABLING, perTables } from '../perTables'
import type { Cable, CableEnd } from '../table/cable'
import type { Controller } from '../table/controller'
import type { Device } from '../table/device'
import { roleOf, type Port, type Role, type RoleKind, type RoleOf } from '../table/port'
import { arePartners, doesWiringFit, isMidi } from './wiring'

/** Anything with jacks. */
export type Box = Controller | Device

/** A cable end with what it is plugged into. `meant` is the role the other end asks of the jack. */
export interface PluggedEnd {
  readonly end: CableEnd
  readonly box: Box
  readonly port: Port
  readonly meant: Role
}

/**
 * A cable with both its ends looked up. `isSet` is false when a shared jack would have to be set to
 * another role first. `isStray` when no role of one jack goes with any of the other.
 */
export interface Link {
  readonly cable: Cable
  readonly from: PluggedEnd
  readonly to: PluggedEnd
  readonly isSet: boolean
  readonly isStray: boolean
}

const findBox = (rig: Rig, { table, id }: Pick<CableEnd, 'table' | 'id'>): Box | null =>
  own<Box>(rig[table], id) ?? null

/** The box of an id whatever its table. Ids of a rig are made to be unique over both. */
export const boxOf = (rig: Rig, id: string): Box | null =>
  own(rig.controllers, id) ?? own(rig.devices, id) ?? null

/** Its id where the box is gone. */
export const boxName = (rig: Rig, id: string): string => boxOf(rig, id)?.name ?? id

/** Controllers first, then devices, each in its order. */
export const boxes = (rig: Rig): Box[] => [...inOrder(rig.controllers), ...inOrder(rig.devices)]

/** The jack an end is plugged into; null when the box or the jack is not there. */
export function findPort(rig: Rig, end: CableEnd): Port | null {
  return findBox(rig, end)?.ports.find(({ id }) => id === end.port) ?? null
}

function linkOf(rig: Rig, cable: Cable): Link[] {
  const [fromBox, toBox] = [findBox(rig, cable.from), findBox(rig, cable.to)]
  const [fromPort, toPort] = [findPort(rig, cable.from), findPort(rig, cable.to)]
  if (!fromBox || !toBox || !fromPort || !toPort) return []
  const [set, other] = [roleOf(fromPort), roleOf(toPort)]
  const isSet = arePartners(set, other)
  const meant = isSet ? { from: set, to: other } : partnersAmong(fromPort, toPort)
  return [
    {
      cable,
      from: { end: cable.from, box: fromBox, port: fromPort, meant: meant?.from ?? set },
      to: { end: cable.to, box: toBox, port: toPort, meant: meant?.to ?? other },
      isSet,
      isStray: meant === null,
    },
  ]
}

/** Roles of two jacks that go together, those that leave one jack as it is set first; null when none do. */
export function partnersAmong(from: Port, to: Port): { from: Role; to: Role } | null {
  const setFirst = (port: Port) => [roleOf(port), ...port.roles.filter((_, n) => n !== port.role)]
  const pairs = setFirst(from).flatMap((a) => setFirst(to).map((b) => ({ from: a, to: b })))
  const changes = (pair: { from: Role; to: Role }) =>
    Number(pair.from !== roleOf(from)) + Number(pair.to !== roleOf(to))
  const fitting = pairs.filter((pair) => arePartners(pair.from, pair.to))
  return fitting.sort((a, b) => changes(a) - changes(b))[0] ?? null
}

/** All cables of a sound rig, in their order. */
export const links = perTables(CABLING, (rig: Rig): readonly Link[] =>
  inOrder(rig.cables).flatMap((cable) => linkOf(rig, cable)),
)

/** Both ends in the roles asked for, when that is what this cable is for. */
export function asRoles<From extends RoleKind, To extends RoleKind>(
  { from, to, isStray }: Link,
  fromKind: From,
  toKind: To,
): { readonly from: RoleOf<From>; readonly to: RoleOf<To> } | null {
  if (isStray || from.meant.kind !== fromKind || to.meant.kind !== toKind) return null
  return { from: from.meant as RoleOf<From>, to: to.meant as RoleOf<To> }
}

/** Whether this cable is there to carry MIDI, whether it does or not. */
export const isForMidi = ({ from, isStray }: Link): boolean => !isStray && isMidi(from.meant)

/** Whether this cable carries MIDI as things are set now. */
export function carriesMidi(link: Link): boolean {
  if (!link.isSet) return false
  const { cable, from, to } = link
  if (from.meant.kind === 'midiOut' && to.meant.kind === 'midiIn')
    return isLeadRight(link) && doesWiringFit(from.meant.plug, to.meant.plug, cable.adapters)
  if (from.meant.kind === 'usb' && to.meant.kind === 'usb') return from.meant.end !== to.meant.end
  return from.meant.kind === 'air'
}

/** A TRRS plug in a TRS jack makes no contact where it should; a mono plug joins ring and sleeve. */
export function isLeadRight({ cable, from, to }: Link): boolean {
  if (cable.lead === 'ts') return false
  const plugs = [from.meant, to.meant].map((role) => ('plug' in role ? role.plug : null))
  return cable.lead !== 'trrs' || plugs.every((plug) => plug === 'trrs')
}

/** One jack across the whole rig. */
export const jackKey = (id: string, port: string): string => `${id}/${port}`

/** The cables in each jack, by {@link jackKey}. */
export const cablesByJack = perTables(CABLING, (rig: Rig): ReadonlyMap<string, readonly Link[]> => {
  const jacks = new Map<string, Link[]>()
  for (const link of links(rig))
    for (const { end } of [link.from, link.to]) {
      const key = jackKey(end.id, end.port)
      jacks.set(key, [...(jacks.get(key) ?? []), link])
    }
  return jacks
})

/** The cables in a jack, at either end. */
export const cablesIn = (rig: Rig, boxId: string, port: string): readonly Link[] =>
  cablesByJack(rig).get(jackKey(boxId, port)) ?? []
