import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Machine } from '../core/explore/machine'
import { machines } from '../core/explore/testing/makeMachines'
import { exploreWhole } from '../core/explore/wholeStates'
import { floorMachine } from '../core/prove/floorMachine'
import { lampRigs } from '../core/prove/testing/makeLampRigs'
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
    'on eight machines',
    () => {
      const some = between(fc.sample(machines, { numRuns: 600, seed: 19_2026 }), 20, 1000).slice(0, 8)
      expect(some).toHaveLength(8)
      for (const machine of some) expect(spinStates(machine)).toBe(exploreWhole(machine)!.states)
    },
    240_000,
  )

  it.runIf(isHere)(
    'on the floors of eight rigs',
    () => {
      const floors = fc
        .sample(lampRigs, { numRuns: 120, seed: 20_2026 })
        .map((rig) => floorMachine(rig).machine)
      const some = between(floors, 50, 5000).slice(0, 8)
      expect(some).toHaveLength(8)
      for (const machine of some) expect(spinStates(machine)).toBe(exploreWhole(machine)!.states)
    },
    240_000,
  )
})
