import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { machines } from './makeMachines'
import { hasSpin, spinStates } from './makeSpin'
import { exploreWhole } from './wholeStates'

const isHere = hasSpin()

describe('a witness from outside', () => {
  if (!isHere) it.skip('spin is not on this machine and could not be installed: nothing is compared with it')
  it.runIf(isHere)(
    'spin comes to as many states: eight machines',
    () => {
      const some = fc
        .sample(machines, { numRuns: 600, seed: 19_2026 })
        .filter((machine) => exploreWhole(machine)!.states > 20)
        .slice(0, 8)
      expect(some).toHaveLength(8)
      for (const machine of some) expect(spinStates(machine)).toBe(exploreWhole(machine)!.states)
    },
    180_000,
  )
})
