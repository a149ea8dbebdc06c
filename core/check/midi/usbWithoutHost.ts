import { addDevice, usbHostBox } from '#core/archetype'
import { freeSpot } from '#core/map'
import {
  applyEdit,
  change,
  type Edit,
  cableBetween,
  nextId,
  endOf,
  isFree,
  asRoles,
  boxName,
  boxes,
  links,
  type Link,
  silencedBy,
  type Rig,
  roleOf,
} from '#core/rig'
import type { FindingOf } from '../finding'

export type UsbWithoutHost = FindingOf<
  'usbWithoutHost',
  {
    readonly from: string
    readonly to: string
    readonly ends: 'device' | 'host'
    /** The box with two free host jacks the fix goes by; null when it brings a host box in. */
    readonly host: string | null
    readonly silenced: readonly string[]
  }
>

/** Two USB devices, or two hosts, on one cable: USB needs one of each (common practice). */
export function usbWithoutHost(rig: Rig): UsbWithoutHost[] {
  return links(rig).flatMap((link): UsbWithoutHost[] => {
    const roles = asRoles(link, 'usb', 'usb')
    if (!roles || roles.from.end !== roles.to.end) return []
    const isDevices = roles.from.end === 'device'
    const host = isDevices ? findHost(rig) : null
    const fix = isDevices ? byHost(rig, link, host) : null
    return [
      {
        code: 'usbWithoutHost',
        severity: 'error',
        about: { table: 'cables', id: link.cable.id },
        facts: {
          from: link.from.box.name,
          to: link.to.box.name,
          ends: roles.from.end,
          host: host && boxName(rig, host),
          silenced: silencedBy(rig, ({ cables }) => cables.includes(link.cable.id)),
        },
        ...(fix && { fix }),
      },
    ]
  })
}

const hostJacks = (rig: Rig, boxId: string) =>
  boxes(rig)
    .find(({ id }) => id === boxId)!
    .ports.filter((port) => {
      const role = roleOf(port)
      return role.kind === 'usb' && role.end === 'host' && role.passes !== 'never' && isFree(rig, boxId, port)
    })

const findHost = (rig: Rig): string | null =>
  boxes(rig).find(({ id }) => hostJacks(rig, id).length >= 2)?.id ?? null

/** Two cables by way of a host in place of the one; the host box is brought in when there is none. */
function byHost(rig: Rig, { cable }: Link, host: string | null): Edit | null {
  const added = host
    ? null
    : addDevice(
        { ...rig, controllers: {} },
        usbHostBox,
        { device: nextId(rig, 'devices'), cable: nextId(rig, 'cables') },
        freeSpot(rig, cable.from.id),
      )
  const boxed = added ? applyEdit(rig, added) : null
  if (boxed && !boxed.ok) return null
  const withHost = boxed?.value ?? rig
  const hostId = host ?? added!.changes[0]!.id
  const [one, other] = hostJacks(withHost, hostId)
  const first = cableBetween(withHost, cable.from, endOf(withHost, hostId, one!.id))
  const without = { ...withHost, cables: { ...withHost.cables, ...(first && { [first.id]: first }) } }
  const second = cableBetween(without, endOf(withHost, hostId, other!.id), cable.to)
  if (!first || !second) return null
  return {
    label: 'layCable',
    changes: [
      ...(added?.changes ?? []),
      change('cables', cable.id, cable, null),
      change('cables', first.id, null, first),
      change('cables', second.id, null, second),
    ],
  }
}
