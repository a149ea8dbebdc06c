import { own } from '#core/base'
import type { Rig, Footswitch, Lamp } from '#core/rig'
import { beatsTempo, isLitBy } from './action'
import type { Known } from './known'

/** What a lamp shows, as far as the controller knows. */
export interface LampNow {
  readonly light: 'off' | 'steady' | 'flash' | 'tempo'
  /** The controller's word for it; empty for its usual one. */
  readonly colour: string
}

const FOLLOWS: Lamp = { colour: '', light: 'follow' }

/**
 * The lamp of a switch: what was said of the position it did last, or, where that follows, on while what one of its
 * positions sent is still what the controller last sent. A group has one lamp on: the one stepped on last.
 */
export function lampNow(rig: Rig, footswitch: Footswitch, known: Known): LampNow {
  const { id, positions, lamps, group, longPress, release } = footswitch
  const done = own(known.done, id)
  const lamp = lamps[done ?? 0] ?? FOLLOWS
  if (lamp.light !== 'follow')
    return done === undefined
      ? { light: 'off', colour: lamp.colour }
      : { light: lamp.light, colour: lamp.colour }
  if (group !== '') return { light: done === undefined ? 'off' : 'steady', colour: lamp.colour }
  const lit = positions.findIndex((actions) => isLitBy(rig, actions, known) === true)
  const isTap = positions[0]!.some(beatsTempo)
  if (isTap && (known.tempo !== null || known.clockIn !== null))
    return { light: 'tempo', colour: lamp.colour }
  const isOn = lit >= 0 || [longPress, release].some((actions) => isLitBy(rig, actions, known) === true)
  return { light: isOn ? 'steady' : 'off', colour: lamps[Math.max(0, lit)]?.colour ?? lamp.colour }
}
