import type { Controller, Footswitch } from '#core/rig'

/** When a controller knows what a foot meant, for one switch. Times in µs. */
export interface Timing {
  readonly hasLong: boolean
  readonly hasDouble: boolean
  readonly longAfter: number
  readonly doubleWithin: number
  /** A plain press on a switch with a long press fires when the foot comes down, or when it goes off before. */
  readonly firesOn: 'press' | 'release'
}

/** What a switch does not use, or the controller cannot tell apart, costs no time. */
export const timingOf = (
  {
    events,
    longMs,
    doubleMs,
    pressWithLong,
  }: Pick<Controller, 'events' | 'longMs' | 'doubleMs' | 'pressWithLong'>,
  { longPress, doublePress }: Pick<Footswitch, 'longPress' | 'doublePress'>,
): Timing => ({
  hasLong: longPress.length > 0 && events.includes('longPress'),
  hasDouble: doublePress.length > 0 && events.includes('doublePress'),
  longAfter: longMs * 1000,
  doubleWithin: doubleMs * 1000,
  firesOn: pressWithLong,
})

/** By how much later than the foot comes down a plain press fires; `release`: when the foot goes off. */
export interface Lateness {
  readonly least: number
  /** The latest it can be while it still is a plain press. */
  readonly most: number
  readonly waitsFor: 'nothing' | 'release' | 'double' | 'both'
}

/** How much later than the foot each gesture is done, in ms, since the controller waits for others. */
export function lateness(timing: Timing): Lateness {
  const { hasLong, hasDouble, longAfter, doubleWithin, firesOn } = timing
  const waitsForRelease = hasLong && firesOn === 'release'
  if (!hasDouble && !waitsForRelease) return { least: 0, most: 0, waitsFor: 'nothing' }
  if (!hasDouble) return { least: 0, most: longAfter, waitsFor: 'release' }
  if (!waitsForRelease) return { least: doubleWithin, most: doubleWithin, waitsFor: 'double' }
  return { least: doubleWithin, most: Math.max(doubleWithin, longAfter), waitsFor: 'both' }
}
