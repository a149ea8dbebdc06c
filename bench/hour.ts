import { switchesHere } from '#core/rig'
import {
  advance,
  FloorMinute,
  FloorTrail,
  lampTruth,
  startFloor,
  step,
  type FloorState,
  type StepResult,
} from '#core/simulate'
import { tidewright } from '../server/demo/tidewright'

/** So often a foot comes down, in µs: faster than anyone plays for an hour. */
const EVERY = 250_000
const HOUR = 3_600_000_000

/**
 * An hour of dense playing with the clock running, as the floor's store does it: what is kept at the end of each quarter.
 * Memory is flat when the last quarters need no more than the first.
 */
export function measureHour(): void {
  const rig = tidewright()
  const minute = new FloorMinute()
  const trail = new FloorTrail()
  let state: FloorState = startFloor(rig).state
  const take = (result: StepResult) => {
    trail.note(rig, state, result)
    minute.note(rig, result)
    state = result.state
  }
  take(step(rig, state, { kind: 'act', actions: [{ kind: 'clock', does: 'start' }], at: 0 }))
  const began = performance.now()
  let presses = 0
  let worst = 0
  for (let at = EVERY; at <= HOUR; at += EVERY) {
    const before = performance.now()
    const here = [...switchesHere(rig, state.known.bankId ?? '', state.known.layer).values()]
    const one = here[presses++ % Math.max(1, here.length)]
    if (one) {
      take(step(rig, state, { kind: 'press', switchId: one.id, at }))
      take(step(rig, state, { kind: 'release', switchId: one.id, at: at + 60_000 }))
    }
    for (const footswitch of here) lampTruth(rig, footswitch, state)
    take(advance(rig, state, at + EVERY - 1))
    worst = Math.max(worst, performance.now() - before)
    if (at % (HOUR / 4) === 0) {
      globalThis.gc?.()
      const heap = process.memoryUsage().heapUsed / 1e6
      console.log(
        `  after ${at / 60_000_000} min: ${heap.toFixed(1)} MB, ${minute.wire.length} messages kept, ${state.due.length} due`,
      )
    }
  }
  const seconds = (performance.now() - began) / 1000
  console.log(
    `  ${presses} presses in ${seconds.toFixed(1)} s: ${((seconds * 1000) / presses).toFixed(2)} ms each, ${worst.toFixed(1)} ms at worst, of 16 allowed`,
  )
}
