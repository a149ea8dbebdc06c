import { type LoopChart, type LoopGesture, type LoopInput, type LoopState, LOOP_STATES } from '#core/rig'
import { moveOf } from './machine'

/** Something a player wants of a looper, as one gesture on one of its inputs. */
export type LoopWish = 'run' | 'stop' | 'undo' | 'clear'

/** One gesture at one input of a looper. */
export interface LoopWay {
  readonly input: string
  readonly gesture: LoopGesture
}

const RUNNING: readonly LoopState[] = ['playing', 'overdubbing']

/** How a looper does what is wanted: a plain press before two, and those before a hold; null where it cannot. */
export function wayOf(chart: LoopChart, wish: LoopWish): LoopWay | null {
  const gestures: readonly LoopGesture[] = ['press', 'double', 'hold']
  const ways = gestures.flatMap((gesture) => chart.inputs.map(({ id }): LoopWay => ({ input: id, gesture })))
  return ways.find((way) => does(chart, way, wish)) ?? null
}

function does(chart: LoopChart, { input, gesture }: LoopWay, wish: LoopWish): boolean {
  const to = (state: LoopState) => moveOf(chart, state, input, gesture)
  switch (wish) {
    case 'run':
      return to('empty')?.to === 'recording' && to('recording') !== null
    case 'stop':
      return RUNNING.every((state) => to(state)?.to === 'stopped' && to(state)?.also === null)
    case 'undo':
      return to('playing')?.also === 'undo'
    case 'clear':
      return LOOP_STATES.some(
        (state) => state !== 'empty' && to(state)?.to === 'empty' && to(state)?.also === null,
      )
  }
}

/** Null where the chart has no such input. */
export const inputOf = (chart: LoopChart, id: string): LoopInput | null =>
  chart.inputs.find((one) => one.id === id) ?? null
