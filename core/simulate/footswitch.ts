import { own } from '#core/base'
import {
  asRoles,
  links,
  CABLING,
  perTables,
  type Rig,
  type Controller,
  roleOf,
  type Footswitch,
} from '#core/rig'

/** A footswitch in a jack of the controller: how it is built, and how the jack is set to read it. */
interface Plugged {
  /** The contact with no foot on it, and whether it stays where it was put. */
  readonly rest: 'open' | 'closed'
  readonly action: 'latching' | 'momentary'
  readonly readsRest: 'open' | 'closed'
  readonly readsAction: 'latching' | 'momentary'
  readonly poles: number
}

const byJack = perTables(CABLING, (rig: Rig): ReadonlyMap<string, Plugged> => {
  const all = new Map<string, Plugged>()
  for (const link of links(rig)) {
    const roles = asRoles(link, 'switchOut', 'switchIn')
    if (!roles || link.to.end.table !== 'controllers' || !link.isSet) continue
    all.set(`${link.to.end.id}/${link.to.port.id}`, {
      rest: roles.from.rest,
      action: roles.from.action,
      readsRest: roles.to.rest,
      readsAction: roles.to.action === 'either' ? roles.from.action : roles.to.action,
      poles: Math.min(roles.from.poles, link.cable.lead === 'ts' ? 1 : 2, roles.to.poles),
    })
  }
  return all
})

/** Footswitches that can be plugged in: the controller's jacks for them with their contacts. */
export interface JackPlace {
  readonly jack: string
  readonly number: number
  readonly name: string
  /** Something with a contact is plugged in there. */
  readonly isPlugged: boolean
}

/** The places a controller has beside its own switches: contacts on jacks, toe switches of pedals built in. */
export function jackPlaces(rig: Rig, controller: Controller): JackPlace[] {
  const jacks = controller.ports.flatMap((port) => {
    const role = roleOf(port)
    if (role.kind !== 'switchIn') return []
    const plugged = byJack(rig).get(`${controller.id}/${port.id}`)
    return Array.from({ length: role.poles }, (_, n): JackPlace => ({
      jack: port.id,
      number: n + 1,
      name: role.does[n] || (role.poles === 1 ? port.name : `${port.name}, ${n === 0 ? 'first' : 'second'}`),
      isPlugged: plugged !== undefined && n < plugged.poles,
    }))
  })
  const toes = Array.from({ length: controller.builtInPedals }, (_, n): JackPlace => ({
    jack: 'toe',
    number: n + 1,
    name: controller.builtInPedals === 1 ? 'Toe switch' : `Toe switch ${n + 1}`,
    isPlugged: true,
  }))
  return [...jacks, ...toes]
}

/** What a controller sees of a foot: the switch goes down, comes up, or nothing. */
export type Seen = 'down' | 'up' | 'both' | null

/**
 * What a foot that comes down or goes off does to a footswitch, as the controller reads it, and whether the switch
 * stays down. Normally closed and read as normally open, it is seen the other way round; latching and read as
 * momentary, every second step is seen as letting go (common practice).
 */
export function footSeen(
  rig: Rig,
  { bankId, jack, number }: Footswitch,
  isDown: boolean,
  isLatched: boolean,
): { readonly seen: Seen; readonly isLatched: boolean } {
  if (jack === '' || jack === 'toe') return { seen: isDown ? 'down' : 'up', isLatched }
  const controllerId = own(rig.banks, bankId)?.controllerId ?? ''
  const plugged = byJack(rig).get(`${controllerId}/${jack}`)
  if (!plugged || number > plugged.poles) return { seen: null, isLatched }
  const { rest, action, readsRest, readsAction } = plugged
  const before = action === 'latching' ? isLatched : !isDown
  const after = action === 'latching' ? (isDown ? !isLatched : isLatched) : isDown
  if (before === after) return { seen: null, isLatched: after }
  // A contact that is away from where the jack takes it to rest is a switch that is down.
  const reads = (isActive: boolean) => (rest === readsRest ? isActive : !isActive)
  const seen = readsAction === 'latching' ? 'both' : reads(after) ? 'down' : 'up'
  return { seen, isLatched: action === 'latching' && after }
}

/**
 * Whether a step on a footswitch is seen as coming down and going off, each time, or not at all. One read otherwise than
 * it is built is not: what it does hangs on how often it was stepped on.
 */
export function isSeenPlainly(rig: Rig, footswitch: Footswitch): boolean {
  const down = footSeen(rig, footswitch, true, false).seen
  const up = footSeen(rig, footswitch, false, false).seen
  return (down === 'down' && up === 'up') || ((down === 'both' || down === null) && up === null)
}
