import { CHANNELS, type Channel, own } from '#core/base'
import { wireTime } from '#core/midi'
import { inOrder, type Rig } from '../rig'
import type { Port } from '../table/port'
import { roleOf } from '../table/port'
import { boxOf, carriesMidi, isForMidi, jackKey, links, type Link } from './link'
import { CABLING, perTables } from '../perTables'
import { isTwoWay } from './wiring'

/** How messages get from one box to another. */
export interface Arrival {
  /** The jack they leave the first box by. */
  readonly out: string
  /** The cables on the way, in order. */
  readonly cables: readonly string[]
  /** The boxes in between, in order. */
  readonly through: readonly string[]
  /** Of those, how many at the end of the way hand on by a thru jack, one behind the other. */
  readonly thrus: number
  /** What boxes that send a message again, instead of handing it through, add to a three-byte message, in µs. */
  readonly delay: number
  /** The channels no jack on the way keeps back. */
  readonly channels: readonly Channel[]
  /** Whether clock, start, continue and stop come through: no jack on the way keeps them back. */
  readonly clock: boolean
}

/** One way over one cable. */
export interface Way {
  readonly link: Link
  readonly jack: Port
  readonly to: string
  readonly toJack: string
}

export interface Ways {
  /** Ways out of each box. */
  readonly of: ReadonlyMap<string, readonly Way[]>
  /** Whether a box hands on by a jack what comes in by another. */
  readonly passesOn: (jack: Port, box: string) => boolean
}

/**
 * The ways of a message out of a box it came into by the jack `by` ({@link jackKey}). Where it can go hangs on that
 * jack too, since nothing goes back out of the jack it came in by: a walk over boxes alone misses what the
 * second way into a box opens.
 */
export const onward = (ways: Ways, box: string, by: string): readonly Way[] =>
  (ways.of.get(box) ?? []).filter(({ jack }) => ways.passesOn(jack, box) && jackKey(box, jack.id) !== by)

function waysOver(rig: Rig, counts: (link: Link) => boolean): ReadonlyMap<string, readonly Way[]> {
  const ways = new Map<string, Way[]>()
  const add = (from: Link['from'], to: Link['to'], link: Link) => {
    const way = { link, jack: from.port, to: to.end.id, toJack: jackKey(to.end.id, to.end.port) }
    ways.set(from.end.id, [...(ways.get(from.end.id) ?? []), way])
  }
  for (const link of links(rig)) {
    if (!counts(link)) continue
    add(link.from, link.to, link)
    if (isTwoWay(link.from.meant.kind)) add(link.to, link.from, link)
  }
  return ways
}

const passesOf = (jack: Port): string =>
  jack.roles.map((role) => ('passes' in role ? role.passes : 'never')).find((passes) => passes !== 'never') ??
  'never'

export const waysNow = perTables(CABLING, (rig: Rig): Ways => ({
  of: waysOver(rig, carriesMidi),
  passesOn: (jack) => {
    const role = roleOf(jack)
    return 'passes' in role && (role.passes === 'on' || role.passes === 'always')
  },
}))

/** As cabled, with every wrong setting, adapter, lead and out in place of a thru put right. */
const waysMeant = perTables(CABLING, (rig: Rig): Ways => ({
  of: waysOver(rig, isForMidi),
  passesOn: (jack, box) => passesOf(jack) !== 'never' || thrusBeside(rig, box, jack).length > 0,
}))

/** The thru jacks of a device, where `jack` is its out that carries only its own messages: the two are easily mixed up. */
export function thrusBeside(rig: Rig, boxId: string, jack: Port): readonly Port[] {
  const role = roleOf(jack)
  if (role.kind !== 'midiOut' || role.passes !== 'never') return []
  const ports = own(rig.devices, boxId)?.ports ?? []
  return ports.filter(({ id, roles }) =>
    roles.some((one) => id !== jack.id && one.kind === 'midiOut' && one.passes !== 'never'),
  )
}

const isThru = (jack: Port): boolean => {
  const role = roleOf(jack)
  return role.kind === 'midiOut' && role.isThru
}

/** What a box that takes a whole message before it sends it again adds: three bytes on the wire. */
const RESEND = wireTime(3)

/**
 * Every box the messages of `start` reach, with the shortest way. Breadth first over the jacks messages come in by, so
 * that a ring ends.
 */
function reach(ways: Ways, start: string, leaves: (jack: Port) => boolean): ReadonlyMap<string, Arrival> {
  const reached = new Map<string, Arrival>()
  const seen = new Set<string>()
  const queue: { box: string; by: string | null; arrival: Arrival }[] = [
    {
      box: start,
      by: null,
      arrival: { out: '', cables: [], through: [], thrus: 0, delay: 0, channels: CHANNELS, clock: true },
    },
  ]
  for (let n = 0; n < queue.length; n++) {
    const { box, by, arrival } = queue[n]!
    const isStart = by === null
    const all = isStart ? (ways.of.get(box) ?? []).filter(({ jack }) => leaves(jack)) : onward(ways, box, by)
    for (const { link, jack, to, toJack } of all) {
      if (seen.has(toJack)) continue
      seen.add(toJack)
      const role = roleOf(jack)
      const thru = !isStart && isThru(jack)
      const blocks = role.kind === 'midiOut' ? role.blocks : []
      const next: Arrival = {
        out: isStart ? jack.id : arrival.out,
        cables: [...arrival.cables, link.cable.id],
        through: isStart ? [] : [...arrival.through, box],
        thrus: thru ? arrival.thrus + 1 : 0,
        delay: arrival.delay + (isStart || thru ? 0 : RESEND),
        channels:
          blocks.length === 0 ? arrival.channels : arrival.channels.filter((one) => !blocks.includes(one)),
        clock: arrival.clock && !(role.kind === 'midiOut' && role.clock === 'kept'),
      }
      if (to !== start && !reached.has(to)) reached.set(to, next)
      queue.push({ box: to, by: toJack, arrival: next })
    }
  }
  return reached
}

const controllersReach = (ways: (rig: Rig) => Ways) =>
  perTables(
    CABLING,
    (rig: Rig): ReadonlyMap<string, ReadonlyMap<string, Arrival>> =>
      new Map(inOrder(rig.controllers).map(({ id }) => [id, reach(ways(rig), id, () => true)])),
  )

const now = controllersReach(waysNow)
const meant = controllersReach(waysMeant)
const NOWHERE: ReadonlyMap<string, Arrival> = new Map()

/** Every box a controller's messages reach as things are set now. */
export const arrivals = (rig: Rig, controllerId: string): ReadonlyMap<string, Arrival> =>
  now(rig).get(controllerId) ?? NOWHERE

/** Every box they would reach if all settings, adapters and leads on the way were right. */
export const arrivalsMeant = (rig: Rig, controllerId: string): ReadonlyMap<string, Arrival> =>
  meant(rig).get(controllerId) ?? NOWHERE

/** Every box that hears what a device itself sends: a thru jack carries only what came in. */
export const heardFrom = (rig: Rig, deviceId: string): ReadonlyMap<string, Arrival> =>
  reach(waysNow(rig), deviceId, (jack) => !isThru(jack))

/**
 * Boxes that hear nothing as things are set now and would, were everything on their way right; each with
 * that way, from the first controller that has one.
 */
export const cutOff = perTables(CABLING, (rig: Rig): ReadonlyMap<string, Arrival> => {
  const cut = new Map<string, Arrival>()
  for (const { id } of inOrder(rig.controllers))
    for (const [box, way] of arrivalsMeant(rig, id))
      if (!cut.has(box) && !isReached(rig, box)) cut.set(box, way)
  return cut
})

/** Whether any controller's messages reach a box. */
export const isReached = (rig: Rig, boxId: string): boolean =>
  Object.keys(rig.controllers).some((id) => arrivals(rig, id).has(boxId))

/** The names of the receivers that hear nothing because of this cable or this jack. */
export const silencedBy = (rig: Rig, is: (way: Arrival) => boolean): string[] =>
  [...cutOff(rig)].flatMap(([id, way]) => {
    const box = boxOf(rig, id)
    return box && 'kind' in box && box.kind === 'receiver' && is(way) ? [box.name] : []
  })
