import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hasSpin, spinStates } from '../explore/makeSpin'
import { exploreWhole } from '../explore/wholeStates'
import { floorMachine } from './floorMachine'
import { lampRigs } from './makeLampRigs'

const isHere = hasSpin()

describe('the floors of generated rigs', () => {
  if (!isHere) it.skip('spin is not on this machine and could not be installed: nothing is compared with it')
  it.runIf(isHere)(
    'can be in as many states as spin comes to: eight rigs',
    () => {
      const some = fc
        .sample(lampRigs, { numRuns: 120, seed: 20_2026 })
        .map((rig) => floorMachine(rig).machine)
        .filter((machine) => {
          const states = exploreWhole(machine)?.states ?? 0
          return states > 50 && states < 5000
        })
        .slice(0, 8)
      expect(some).toHaveLength(8)
      for (const machine of some) expect(spinStates(machine)).toBe(exploreWhole(machine)!.states)
    },
    240_000,
  )
})
