import type { LoopChart, LoopGesture, LoopMove, LoopState } from '#core/rig'

/** Something a looper recorded, in µs. */
export interface Take {
  readonly from: number
  /** Null while it goes on. */
  readonly to: number | null
  readonly kind: 'loop' | 'dub'
  readonly fate: 'kept' | 'undone' | 'cleared'
}

/** A looper at one moment. */
export interface LoopNow {
  readonly state: LoopState
  readonly since: number
  /** The oldest first; what is long gone is left out. */
  readonly takes: readonly Take[]
  /** Feet that are down, by input. */
  readonly down: { readonly [input: string]: LoopFoot }
  /** When an input was last pressed, where that may still become a double press. */
  readonly pressed: { readonly [input: string]: number }
  /** States gone through before, the last one last. */
  readonly past: readonly { readonly state: LoopState; readonly from: number; readonly to: number }[]
}

interface LoopFoot {
  readonly at: number
  /** It has done all it does: a hold or a double press. */
  readonly isSpent: boolean
}

/** A looper as it is switched on: nothing recorded, no foot on it. */
export const EMPTY_LOOP: LoopNow = {
  state: 'empty',
  since: 0,
  takes: [],
  down: {},
  pressed: {},
  past: [],
}

/** So much of what was is kept. */
const KEPT = 24

export const moveOf = (
  chart: LoopChart,
  state: LoopState,
  input: string,
  gesture: LoopGesture,
): LoopMove | null =>
  chart.moves.find((one) => one.in === state && one.input === input && one.gesture === gesture) ?? null

/** Whether holding an input down does anything in some state. */
export const canHold = (chart: LoopChart, input: string): boolean =>
  chart.moves.some((one) => one.input === input && one.gesture === 'hold')

/** The foot, or a message, presses an input. What is down already cannot be pressed. */
export function loopDown(chart: LoopChart, now: LoopNow, input: string, at: number): LoopNow {
  if (Object.hasOwn(now.down, input)) return now
  const before = Object.hasOwn(now.pressed, input) ? now.pressed[input]! : null
  const double =
    before !== null && at - before <= chart.doubleMs * 1000 ? moveOf(chart, now.state, input, 'double') : null
  const { [input]: _, ...pressed } = now.pressed
  const foot = { at, isSpent: double !== null }
  const held = {
    ...now,
    down: { ...now.down, [input]: foot },
    pressed: double ? pressed : { ...pressed, [input]: at },
  }
  if (double) return moved(held, double, at)
  return chart.acts === 'down' ? pressedNow(chart, held, input, at) : held
}

/** It is let go. */
export function loopUp(chart: LoopChart, now: LoopNow, input: string, at: number): LoopNow {
  if (!Object.hasOwn(now.down, input)) return now
  const { [input]: foot, ...down } = now.down
  const lifted = { ...now, down }
  return chart.acts === 'up' && !foot!.isSpent ? pressedNow(chart, lifted, input, at) : lifted
}

/** The foot that came down at `since` is still down when holding counts. */
export function loopHeld(chart: LoopChart, now: LoopNow, input: string, since: number, at: number): LoopNow {
  const foot = Object.hasOwn(now.down, input) ? now.down[input]! : null
  if (foot === null || foot.at !== since || foot.isSpent) return now
  const hold = moveOf(chart, now.state, input, 'hold')
  if (!hold) return now
  return moved({ ...now, down: { ...now.down, [input]: { ...foot, isSpent: true } } }, hold, at)
}

function pressedNow(chart: LoopChart, now: LoopNow, input: string, at: number): LoopNow {
  const press = moveOf(chart, now.state, input, 'press')
  return press ? moved(now, press, at) : now
}

function moved(now: LoopNow, { to, also }: LoopMove, at: number): LoopNow {
  const closed = now.takes.map((take) => (take.to === null ? { ...take, to: at } : take))
  const turnedNow = also === null ? closed : turned(closed, also)
  const isEmptied = also === 'undo' && !turnedNow.some(({ fate }) => fate === 'kept')
  const state = isEmptied ? 'empty' : to
  const isNew = state === 'recording' && now.state !== 'recording'
  const isGone = isNew || (to === 'empty' && also === null)
  const takes = isGone ? turnedNow.map((take): Take => ({ ...take, fate: 'cleared' })) : turnedNow
  const begins: Take[] =
    isNew || state === 'overdubbing'
      ? [{ from: at, to: null, kind: isNew ? 'loop' : 'dub', fate: 'kept' }]
      : state === 'recording'
        ? reopened(takes)
        : []
  return {
    ...now,
    state,
    since: at,
    takes: [...takes, ...begins].slice(-KEPT),
    past: [...now.past, { state: now.state, from: now.since, to: at }].slice(-KEPT),
  }
}

/** Recording that goes on is one take as before. */
function reopened(takes: Take[]): Take[] {
  const last = takes.pop()
  return last ? [{ ...last, to: null }] : []
}

/** How long the loop is, in µs; null as long as there is none. */
export function loopLength({ takes }: LoopNow): number | null {
  const loop = takes.findLast(({ kind, fate, to }) => kind === 'loop' && fate === 'kept' && to !== null)
  return loop ? loop.to! - loop.from : null
}

/** The last layer taken away, or the last one taken away put back. */
function turned(takes: readonly Take[], also: 'undo' | 'redo'): Take[] {
  const [from, fate] = also === 'undo' ? (['kept', 'undone'] as const) : (['undone', 'kept'] as const)
  const at = also === 'undo' ? takes.findLastIndex((one) => one.fate === from) : firstAfterKept(takes)
  return takes.map((take, n) => (n === at ? { ...take, fate } : take))
}

/** Of those taken away the one that went last: they go from the last to the first. */
const firstAfterKept = (takes: readonly Take[]): number => {
  const last = takes.findLastIndex(({ fate }) => fate === 'kept')
  return takes.findIndex(({ fate }, n) => n > last && fate === 'undone')
}
