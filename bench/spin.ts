import type { Machine, MachineMove } from '../core/explore/machine'
import { exploreWhole } from '../core/explore/wholeStates'
import { hasSpin, spinRun } from '../guards/testing/makeSpin'

/** Counters of a few values each, some of which turn others: as many states as their product. */
function counters(count: number, size: number): Machine {
  const turn = (component: number): MachineMove => ({
    effects: [
      { component, reads: [component], table: Int32Array.from({ length: size }, (_, n) => (n + 1) % size) },
    ],
    jump: null,
  })
  return {
    sizes: Array.from({ length: count }, () => size),
    moves: [Array.from({ length: count }, (_, n) => turn(n))],
    start: { place: 0, values: Array.from({ length: count }, () => 0) },
  }
}

if (!hasSpin()) console.log('Search over all states: spin is not on this machine and could not be installed')
else
  for (const [count, size] of [
    [18, 2],
    [11, 3],
    [9, 4],
  ] as const) {
    const machine = counters(count, size)
    exploreWhole(machine)
    const began = performance.now()
    const { states } = exploreWhole(machine)!
    const ms = performance.now() - began
    const spin = spinRun(machine)
    if (spin.states !== states) throw new Error(`spin comes to ${spin.states} states, we to ${states}`)
    const rate = (n: number, took: number) => Math.round(n / took).toLocaleString('en')
    console.log(
      `Search over all ${states.toLocaleString('en')} states of ${count} counters: ${rate(states, ms)} thousand states a second, spin (-DBFS -DNOREDUCE) ${rate(states, spin.ms)}: ratio ${(spin.ms / ms).toFixed(2)}`,
    )
  }
