import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { rigProblems } from '../integrity'
import { ACTION_KINDS } from '../table/action'
import { FEATURES, lacking } from './features'
import { wideRigs } from './wideRigs'

describe('generated rigs', () => {
  it('have every kind of action, every gesture and every way a box can be', () => {
    expect(Object.keys(FEATURES)).toEqual(expect.arrayContaining([...ACTION_KINDS]))
    expect(lacking(fc.sample(wideRigs(), { numRuns: 500, seed: 32_2026 }))).toEqual([])
  })

  it('are sound', () => {
    fc.assert(
      fc.property(wideRigs(), (rig) => {
        expect(rigProblems(rig)).toEqual([])
      }),
      generated(800, 32),
    )
  })
})
