import * as fc from 'fast-check'
import {
  LOOP_GESTURES,
  LOOP_STATES,
  type LoopChart,
  type LoopMove,
  type LoopState,
} from '../../rig/table/looper'
import { LOOP_CHARTS, LOOP_KINDS } from '../kinds'

/** A looper once more, for tests: a millisecond at a time, from all that its inputs did, and sharing no code with the machine. */
export interface PlainLoop {
  readonly state: LoopState
  /** Layers that sound, the oldest first, as ms from and to; the last may still be under way. */
  readonly layers: readonly (readonly [from: number, to: number | null])[]
}

/** One input going down or up at so many ms. */
export interface FootEvent {
  readonly at: number
  readonly input: string
  readonly isDown: boolean
}

export function plainLooper(chart: LoopChart, events: readonly FootEvent[], until: number): PlainLoop {
  let state: LoopState = 'empty'
  const layers: { from: number; to: number | null }[] = []
  let gone: { from: number; to: number | null }[] = []
  const inputs = chart.inputs.map(({ id }) => ({
    id,
    downAt: -1,
    isDone: false,
    lastDown: -Infinity,
  }))
  const find = (input: string, gesture: LoopMove['gesture']) => {
    for (const one of chart.moves)
      if (one.in === state && one.input === input && one.gesture === gesture) return one
    return null
  }
  const go = (move: LoopMove, now: number) => {
    const was = state
    const open = layers[layers.length - 1]
    if (open && open.to === null) open.to = now
    if (move.also === 'undo') {
      const last = layers.pop()
      if (last) gone.unshift(last)
    }
    if (move.also === 'redo') {
      const back = gone.shift()
      if (back) layers.push(back)
    }
    state = move.also === 'undo' && layers.length === 0 ? 'empty' : move.to
    if (move.to === 'empty' && move.also === null) {
      layers.length = 0
      gone = []
    }
    if (state === 'recording' && was !== 'recording') {
      layers.length = 0
      gone = []
      layers.push({ from: now, to: null })
    } else if (state === 'recording') {
      const last = layers[layers.length - 1]
      if (last) last.to = null
    } else if (state === 'overdubbing') {
      layers.push({ from: now, to: null })
      gone = []
    }
  }
  for (let now = 0; now <= until; now++) {
    // What was due by the clock comes before what the foot does in the same moment.
    for (const input of inputs)
      if (input.downAt >= 0 && !input.isDone && now === input.downAt + chart.holdMs) {
        const hold = find(input.id, 'hold')
        if (hold) {
          input.isDone = true
          go(hold, now)
        }
      }
    for (const event of events) {
      if (event.at !== now) continue
      const input = inputs.find(({ id }) => id === event.input)!
      if (event.isDown && input.downAt < 0) {
        const double = now - input.lastDown <= chart.doubleMs ? find(input.id, 'double') : null
        input.downAt = now
        input.isDone = double !== null
        input.lastDown = double === null ? now : -Infinity
        if (double) go(double, now)
        else if (chart.acts === 'down') {
          const press = find(input.id, 'press')
          if (press) go(press, now)
        }
      } else if (!event.isDown && input.downAt >= 0) {
        input.downAt = -1
        if (chart.acts === 'up' && !input.isDone) {
          const press = find(input.id, 'press')
          if (press) go(press, now)
        }
      }
    }
  }
  return { state, layers: layers.map(({ from, to }) => [from, to] as const) }
}

const ofOneself: fc.Arbitrary<LoopChart> = fc
  .record({
    acts: fc.constantFrom('down' as const, 'up' as const),
    holdMs: fc.constantFrom(500, 2000),
    doubleMs: fc.constantFrom(200, 300, 400),
    moves: fc.array(
      fc.record({
        in: fc.constantFrom(...LOOP_STATES),
        input: fc.constantFrom('one', 'two'),
        gesture: fc.constantFrom(...LOOP_GESTURES),
        to: fc.constantFrom(...LOOP_STATES),
        also: fc.constantFrom(null, null, null, 'undo' as const, 'redo' as const),
      }),
      { minLength: 8, maxLength: 24 },
    ),
  })
  .map(({ moves, ...rest }) => ({
    ...rest,
    inputs: ['one', 'two'].map((id) => ({ id, name: id, by: null })),
    moves: moves.filter(
      (one, n) =>
        moves.findIndex(
          (other) => other.in === one.in && other.input === one.input && other.gesture === one.gesture,
        ) === n,
    ),
    tempo: 'own' as const,
  }))

/** The kinds the app ships, and charts of all sorts. */
export const anyChart: fc.Arbitrary<LoopChart> = fc.oneof(
  fc
    .constantFrom(...LOOP_KINDS)
    .chain((kind) =>
      fc.constantFrom('down' as const, 'up' as const).map((acts) => ({ ...LOOP_CHARTS[kind], acts })),
    ),
  ofOneself,
)

/** Feet on the inputs of a chart: after so many ms one goes down or, where it is down, up. */
export const feetOn = (chart: LoopChart): fc.Arbitrary<FootEvent[]> =>
  fc
    .array(
      fc.record({
        after: fc.oneof(fc.integer({ min: 1, max: 350 }), fc.integer({ min: 350, max: 2600 })),
        input: fc.constantFrom(...chart.inputs.map(({ id }) => id)),
      }),
      { minLength: 1, maxLength: 16 },
    )
    .map((moves) => {
      let at = 0
      const down = new Set<string>()
      return moves.map(({ after, input }) => {
        at += after
        const isDown = !down.has(input)
        if (isDown) down.add(input)
        else down.delete(input)
        return { at, input, isDown }
      })
    })
