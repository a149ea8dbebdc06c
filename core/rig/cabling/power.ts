import { boxes, cablesIn, links, type Box, type Link } from './link'
import { isPowering, phantomOf } from './wiring'
import type { Rig } from '../rig'
import { CABLING, perTables } from '../perTables'
import { roleOf, type Port, type RoleOf } from '../table/port'

/** One socket of a supply with all that hangs on it. */
export interface Outlet {
  readonly box: Box
  readonly port: Port
  readonly gives: RoleOf<'powerOut'>
  readonly feeds: readonly { readonly link: Link; readonly box: Box; readonly needs: RoleOf<'powerIn'> }[]
  /** Boxes that live on what those hand on over MIDI cables, as far as what they draw is known. */
  readonly onward: readonly string[]
  /** What all of them draw together, in mA. */
  readonly drawn: number
}

/** A box that needs power, and where it gets it from. */
export interface Consumer {
  readonly box: Box
  readonly port: Port
  readonly needs: RoleOf<'powerIn'>
  /** Power cables into it, and MIDI cables it is fed by. */
  readonly by: readonly Link[]
}

export interface PowerPlan {
  readonly outlets: readonly Outlet[]
  readonly consumers: readonly Consumer[]
}

/** Whether power runs over this MIDI cable: one end gives, the other takes, and all five pins are wired. */
export const carriesPower = ({ cable, from, to }: Link): boolean =>
  isPowering(from.meant, to.meant) && cable.lead === 'din5'

/** Who is fed by what. */
export const powerPlan = perTables(CABLING, (rig: Rig): PowerPlan => {
  const outlets: Outlet[] = []
  const consumers: Consumer[] = []
  const overMidi = links(rig).filter(carriesPower)
  for (const box of boxes(rig))
    for (const port of box.ports) {
      const role = roleOf(port)
      if (role.kind === 'powerOut') outlets.push(outletOf(rig, box, port, role, overMidi))
      if (role.kind === 'powerIn') {
        const phantom = overMidi.filter(({ from, to }) =>
          [from, to].some((side) => side.end.id === box.id && phantomOf(side.meant) === 'takes'),
        )
        consumers.push({ box, port, needs: role, by: [...cablesIn(rig, box.id, port.id), ...phantom] })
      }
    }
  return { outlets, consumers }
})

function outletOf(
  rig: Rig,
  box: Box,
  port: Port,
  gives: RoleOf<'powerOut'>,
  overMidi: readonly Link[],
): Outlet {
  const feeds = cablesIn(rig, box.id, port.id).flatMap((link) => {
    const needs = link.to.meant
    return needs.kind === 'powerIn' ? [{ link, box: link.to.box, needs }] : []
  })
  const onward = feeds.flatMap((fed) => fedThrough(fed.box, overMidi, new Set([box.id, fed.box.id])))
  const drawn = [...feeds.map(({ needs }) => needs.milliamps), ...onward.map(({ milliamps }) => milliamps)]
  return {
    box,
    port,
    gives,
    feeds,
    onward: onward.map((one) => one.box.name),
    drawn: drawn.reduce((sum, one) => sum + one, 0),
  }
}

/** Boxes that live on the MIDI power of a box, and on theirs, with what each draws. */
function fedThrough(
  giver: Box,
  overMidi: readonly Link[],
  seen: Set<string>,
): { box: Box; milliamps: number }[] {
  return overMidi.flatMap(({ from, to }) => {
    const [end, other] = from.box.id === giver.id ? [from, to] : [to, from]
    if (end.box.id !== giver.id || phantomOf(end.meant) !== 'gives' || seen.has(other.box.id)) return []
    seen.add(other.box.id)
    const needs = other.box.ports.map(roleOf).find((role) => role.kind === 'powerIn')
    return [
      ...(needs ? [{ box: other.box, milliamps: needs.milliamps }] : []),
      ...fedThrough(other.box, overMidi, seen),
    ]
  })
}

/** What does not agree between an outlet and what hangs on it. */
export const powerMismatch = (
  gives: RoleOf<'powerOut'>,
  needs: RoleOf<'powerIn'>,
): 'volts' | 'current' | 'centre' | null =>
  gives.volts !== needs.volts
    ? 'volts'
    : gives.current !== needs.current
      ? 'current'
      : gives.current === 'dc' && gives.centre !== needs.centre
        ? 'centre'
        : null

/** The free outlet that suits a need best: the smallest that is enough; null when none is. */
export function freeOutlet(rig: Rig, needs: RoleOf<'powerIn'>): Outlet | null {
  const fitting = powerPlan(rig).outlets.filter(
    ({ gives, feeds }) =>
      feeds.length === 0 && powerMismatch(gives, needs) === null && gives.milliamps >= needs.milliamps,
  )
  return fitting.sort((a, b) => a.gives.milliamps - b.gives.milliamps)[0] ?? null
}
