import { own } from '#core/base'
import { CABLING, perTables } from '../perTables'
import { inOrder, type Rig } from '../rig'
import { roleOf, type Port } from '../table/port'
import { jackKey } from './link'
import { onward, waysNow, type Way } from './signal'

/** One way on which a box would hear the clock of another. */
export interface ClockWay {
  readonly from: string
  readonly to: string
  /** The cables, in order, and the jack of the last box before it that sends. */
  readonly cables: readonly string[]
  readonly last: { readonly box: string; readonly jack: Port }
}

/** More ways than this between two boxes nobody lays. */
const WAYS_MAX = 64

const isThru = (jack: Port): boolean => {
  const role = roleOf(jack)
  return role.kind === 'midiOut' && role.isThru
}

/** Whether a jack lets clock, start, continue and stop out. */
const letsClockOut = (jack: Port): boolean => {
  const role = roleOf(jack)
  return role.kind !== 'midiOut' || role.clock !== 'kept'
}

/**
 * Every way of a clock from one box to others, as things are set now: two ways to one box are two clocks to it. A way never
 * comes twice into one jack, so that a ring ends.
 */
export function clockWaysFrom(rig: Rig, from: string): ClockWay[] {
  const ways = waysNow(rig)
  const found: ClockWay[] = []
  const isController = own(rig.controllers, from) !== undefined
  const go = (
    box: string,
    by: string | null,
    cables: readonly string[],
    jacks: ReadonlySet<string>,
  ): void => {
    const all: readonly Way[] =
      by === null
        ? (ways.of.get(box) ?? []).filter(({ jack }) => isController || !isThru(jack))
        : onward(ways, box, by)
    for (const { link, jack, to, toJack } of all) {
      if (jacks.has(toJack) || !letsClockOut(jack) || found.length >= WAYS_MAX) continue
      const on = [...cables, link.cable.id]
      if (to !== from) found.push({ from, to, cables: on, last: { box, jack } })
      go(to, toJack, on, new Set([...jacks, toJack]))
    }
  }
  go(from, null, [], new Set([jackKey(from, '')]))
  return found
}

/** What could send a clock: controllers that can, and devices that do. */
export const clockSenders = perTables(CABLING, (rig: Rig): readonly string[] => [
  ...inOrder(rig.controllers)
    .filter(({ sendsClock }) => sendsClock)
    .map(({ id }) => id as string),
  ...inOrder(rig.devices)
    .filter(({ givesClock }) => givesClock)
    .map(({ id }) => id as string),
])
