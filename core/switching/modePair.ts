import type { Reading } from '#core/rig'

/** How a controller works one control from one switch. Values are those sent. */
export type ControllerMode =
  /** The same value at each press. */
  | { readonly kind: 'one'; readonly value: number }
  /** Two values in turn. */
  | { readonly kind: 'alternate'; readonly first: number; readonly second: number }
  /** One when the foot comes down, another when it goes off. */
  | { readonly kind: 'hold'; readonly down: number; readonly up: number }

/** What a device's control is: on or off for what is switched, else how often it was made to act. */
type Phase = 'off' | 'on'

/** What comes of a controller's way of working a control and a device's way of reading it. */
export interface PairOutcome {
  /** After one, two, three presses (each with the foot off again), from off and from on. */
  readonly after: { readonly [Start in Phase]: readonly Phase[] }
  /** How many presses a change takes: 1 as it should be, 2 where every other one does nothing; null where it never does. */
  readonly pressesAChange: number | null
  /** From some phase the lamp of an alternating controller says the contrary of what is. */
  readonly isOutOfStep: boolean
}

/** Whether a message with this value turns a control over, sets it, or does nothing, as it stands. */
function hears(reading: Reading, highest: number, now: Phase, value: number): Phase {
  const other = now === 'on' ? 'off' : 'on'
  switch (reading.kind) {
    case 'switch': {
      const isHalf = value > highest / 2
      // A strict one knows only its lowest and highest value, and leaves others alone.
      return reading.isStrict && value !== 0 && value !== highest ? now : isHalf ? 'on' : 'off'
    }
    case 'toggle':
      return reading.at === 'value' && value !== reading.value ? now : other
    case 'increment':
      return value === reading.up ? 'on' : value === reading.down ? 'off' : now
    case 'trigger':
      // It does its thing: told here as a change over, so that what does nothing shows.
      return value === reading.value ? other : now
    default:
      return value > 0 ? 'on' : 'off'
  }
}

const PRESSES = 3

/** The values one press sends, in order. */
const sentAt = (mode: ControllerMode, press: number): readonly number[] =>
  mode.kind === 'one'
    ? [mode.value]
    : mode.kind === 'alternate'
      ? [press % 2 === 0 ? mode.first : mode.second]
      : [mode.down, mode.up]

/** What one, two and three presses do, from both phases. */
export function pairOutcome(mode: ControllerMode, reading: Reading, highest: number): PairOutcome {
  const run = (start: Phase, presses: number): Phase[] => {
    let now = start
    return Array.from({ length: presses }, (_, press) => {
      for (const value of sentAt(mode, press)) now = hears(reading, highest, now, value)
      return now
    })
  }
  const after = { off: run('off', PRESSES), on: run('on', PRESSES) }
  // Long enough for the count to be a whole number once rounded.
  const long = run('off', 42).slice(2)
  const changes = long.slice(1).filter((one, n) => one !== long[n]).length
  const isOutOfStep =
    mode.kind === 'alternate' &&
    (['off', 'on'] as const).some((start) =>
      after[start].some((one, n) => one !== (n % 2 === 0 ? 'on' : 'off')),
    )
  return {
    after,
    pressesAChange: changes === 0 ? null : Math.round((long.length - 1) / changes),
    isOutOfStep,
  }
}
