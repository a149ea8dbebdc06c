import { describe, expect, it } from 'vitest'
import type { LineReport } from '#core/check'
import { notLookedText, proofHeadline } from './proof'

const holds = { line: 'sounds', about: { table: 'sounds', id: 'verse' }, verdict: { kind: 'holds' } } as const
const line = (fields: Partial<LineReport>): LineReport => ({
  line: 'sounds',
  holds: [],
  open: [],
  fails: 0,
  errors: [],
  notLooked: [],
  ...fields,
})

describe('the headline of a proof', () => {
  it('claims what was asked, and no more', () => {
    expect(proofHeadline([line({ holds: [holds] })], 0)).toBe('All that was asked holds, from everywhere')
    expect(proofHeadline([line({ holds: [holds], notLooked: ['pedals', 'tempo'] })], 0)).toBe(
      'All that was asked holds, from everywhere; 2 kinds of things not looked at',
    )
    expect(proofHeadline([line({ holds: [holds] }), line({ fails: 1 })], 1)).toBe('1 thing can go wrong')
    expect(proofHeadline([line({})], 0)).toBe('Nothing was asked yet')
  })

  it('names what was not looked at', () => {
    expect(notLookedText(['controllers', 'backTwice'])).toBe(
      'Not looked at: switches of another controller; going back twice in a row.',
    )
    expect(notLookedText([])).toBe('')
  })
})
