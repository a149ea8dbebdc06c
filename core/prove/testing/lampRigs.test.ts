import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { rigProblems } from '../../rig/integrity'
import { ACTION_KINDS } from '../../rig/table/action'
import { lacking } from '../../rig/testing/features'
import { lampRigs } from './makeLampRigs'

describe('rigs for tests of lamps', () => {
  it('have every kind of action, but for what would make their runs too long or the rigs too big', () => {
    const missing = lacking(fc.sample(lampRigs, { numRuns: 500, seed: 33 }))
    // A wait and a macro make longer runs; the others need a chart, jacks and boxes these small rigs have not.
    expect(ACTION_KINDS.filter((kind) => missing.includes(kind))).toEqual([
      'scene',
      'wait',
      'contact',
      'tapOut',
      'macro',
    ])
  })

  it('are sound', () => {
    fc.assert(
      fc.property(lampRigs, (rig) => {
        expect(rigProblems(rig)).toEqual([])
      }),
      generated(400, 34),
    )
  })
})
