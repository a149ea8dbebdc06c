import {
  applyEdit,
  carriesMidi,
  links,
  type Link,
  freeOutlet,
  isReached,
  type Edit,
  joinEdits,
  cableBetween,
  layCable,
  moveCable,
  nextId,
  endOf,
  isFree,
  inOrder,
  type Rig,
  type CableEnd,
  type Device,
  roleOf,
  type Port,
  type Role,
} from '#core/rig'
import { freeSpot } from '#core/map'
import { own } from '#core/base'
import { addDevice, type DeviceArchetype, thruBox, trsHub, usbHostBox } from '#core/archetype'

/** A box put in to make room for a device no jack is free for. */
export interface Room {
  readonly edit: Edit
  /** What the box is called, and the box it stands behind. */
  readonly box: string
  readonly behind: string
  /** Where its power comes from; null when no outlet is free, or it needs none. */
  readonly supply: string | null
}

const portWith = (
  rig: Rig,
  device: Pick<Device, 'id' | 'ports'>,
  is: (role: Role) => boolean,
): Port | undefined => device.ports.find((port) => isFree(rig, device.id, port) && port.roles.some(is))

/**
 * What a player would do where no jack is free: a thru box or hub behind the controller, which then feeds what hung
 * there before and the device; or, for a USB device, a host box. With its cables and its power, as one edit; null where
 * that does not help.
 */
export function roomFor(rig: Rig, device: Device): Room | null {
  const input = portWith(rig, device, ({ kind }) => kind === 'midiIn')
  const link = input && splittable(rig)
  if (input && link) return byThru(rig, device, input, link)
  return byHost(rig, device)
}

/** The cable a box is put into: one that carries messages out of a controller, else out of a box that is reached. */
function splittable(rig: Rig): Link | undefined {
  const fits = links(rig).filter(
    (link) => carriesMidi(link) && link.from.meant.kind === 'midiOut' && link.to.meant.kind === 'midiIn',
  )
  return (
    fits.find(({ from }) => own(rig.controllers, from.box.id)) ??
    fits.find(({ from }) => isReached(rig, from.box.id))
  )
}

/** The box itself, laid to nothing yet, standing beside another. */
function placed(rig: Rig, archetype: DeviceArchetype, beside: string): Edit {
  const ids = { device: nextId(rig, 'devices'), cable: nextId(rig, 'cables') }
  // Where there is no controller nothing is cabled at once.
  return addDevice({ ...rig, controllers: {} }, archetype, ids, freeSpot(rig, beside))
}

const laid = (rig: Rig, from: CableEnd, to: CableEnd): Edit | null => {
  const cable = cableBetween(rig, from, to)
  return cable && layCable(rig, cable)
}

/** Power for a box from a free outlet; null when none suits. */
function fed(rig: Rig, boxId: string): { edit: Edit | null; supply: string } | null {
  const port = own(rig.devices, boxId)?.ports.find((one) => roleOf(one).kind === 'powerIn')
  const needs = port && roleOf(port)
  const outlet = needs?.kind === 'powerIn' ? freeOutlet(rig, needs) : null
  return outlet && port
    ? {
        edit: laid(rig, endOf(rig, outlet.box.id, outlet.port.id), endOf(rig, boxId, port.id)),
        supply: `${outlet.box.name}, ${outlet.port.name}`,
      }
    : null
}

/** The box with the cables that are laid to it, and with power where an outlet is free, as one edit. */
function roomOf(
  rig: Rig,
  added: Edit,
  behind: string,
  cables: readonly ((now: Rig) => Edit | null)[],
): Room | null {
  const box = added.changes[0]!.after as Device
  const steps = [() => added, ...cables]
  const cabled = joinEdits(rig, 'addDevice', steps)
  const there = cabled && applyEdit(rig, cabled)
  const power = there?.ok ? fed(there.value, box.id) : null
  const edit = power?.edit ? joinEdits(rig, 'addDevice', [...steps, () => power.edit]) : cabled
  return edit && { edit, box: box.name, behind, supply: power?.supply ?? null }
}

function byThru(rig: Rig, device: Device, input: Port, { cable, from }: Link): Room | null {
  const isDin = from.meant.kind === 'midiOut' && from.meant.plug === 'din'
  const added = placed(rig, isDin ? thruBox : trsHub, from.box.id)
  const boxId = added.changes[0]!.id
  const { ports } = added.changes[0]!.after as Device
  const [into, first, second] = ports
  return roomOf(rig, added, from.box.name, [
    (now) => {
      const moved = cableBetween(now, cable.from, endOf(now, boxId, into!.id), cable.id)
      return moved && moveCable(now, cable, { ...cable, ...moved, order: cable.order, colour: cable.colour })
    },
    (now) => laid(now, endOf(now, boxId, first!.id), cable.to),
    (now) => laid(now, endOf(now, boxId, second!.id), endOf(now, device.id, input.id)),
  ])
}

function byHost(rig: Rig, device: Device): Room | null {
  const isUsbDevice = (role: Role) => role.kind === 'usb' && role.end === 'device'
  const mine = portWith(rig, device, isUsbDevice)
  const [controller] = inOrder(rig.controllers)
  const theirs = controller?.ports.find(
    (port) => isFree(rig, controller.id, port) && port.roles.some(isUsbDevice),
  )
  if (!mine || !controller || !theirs) return null
  const added = placed(rig, usbHostBox, controller.id)
  const boxId = added.changes[0]!.id
  const { ports } = added.changes[0]!.after as Device
  const [one, other] = ports.filter(({ roles }) => roles.some(({ kind }) => kind === 'usb'))
  if (!one || !other) return null
  return roomOf(rig, added, controller.name, [
    (now) => laid(now, endOf(now, controller.id, theirs.id), endOf(now, boxId, one.id)),
    (now) => laid(now, endOf(now, boxId, other.id), endOf(now, device.id, mine.id)),
  ])
}
