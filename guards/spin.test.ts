import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Machine } from '../core/explore/machine'
import { machines } from '../core/explore/testing/makeMachines'
import { exploreWhole } from '../core/explore/wholeStates'
import { floorMachine } from '../core/prove/floorMachine'
import { lampRigs } from '../core/prove/testing/makeLampRigs'
import { runs } from '#testing/runs'
import { hasSpin, spinStates } from './testing/makeSpin'

/** Machines of so many states and more, and of fewer than so many. */
const between = (all: readonly Machine[], from: number, to: number): readonly Machine[] =>
  all.filter((machine) => {
    const states = exploreWhole(machine)?.states ?? 0
    return states > from && states < to
  })

const isHere = hasSpin()

/** A witness from outside: Debian's model checker goes through the same machines. */
describe('spin comes to as many states', () => {
  if (!isHere) it.skip('spin is not on this machine and could not be installed: nothing is compared with it')

  it.runIf(isHere)(
    'on generated machines',
    () => {
      const some = between(fc.sample(machines, { numRuns: 75 * runs(16), seed: 19_2026 }), 20, 1000).slice(
        0,
        runs(16),
      )
      expect(some).toHaveLength(runs(16))
      for (const machine of some) expect(spinStates(machine)).toBe(exploreWhole(machine)!.states)
    },
    240_000,
  )

  it.runIf(isHere)(
    'on the floors of generated rigs',
    () => {
      const floors = fc
        .sample(lampRigs, { numRuns: 30 * runs(8), seed: 20_2026 })
        .map((rig) => floorMachine(rig).machine)
      const some = between(floors, 50, 5000).slice(0, runs(8))
      expect(some).toHaveLength(runs(8))
      for (const machine of some) expect(spinStates(machine)).toBe(exploreWhole(machine)!.states)
    },
    240_000,
  )
})
