import { describe, expect, it } from 'vitest'
import { readStamp, stampLine, stampText, type Stamp } from './stamp'

const stamp: Stamp = { revision: 57, holds: 212, fails: 0, open: 0, ways: 41, notLooked: [] }

describe('the stamp of a proof', () => {
  it('is read as it was written, and nothing else is', () => {
    expect(readStamp(stampText(stamp))).toEqual(stamp)
    const less: Stamp = { ...stamp, notLooked: ['pedals', 'loops'] }
    expect(readStamp(stampText(less))).toEqual(less)
    for (const text of [
      '',
      '57',
      '57.212.0.0',
      '57.212.0.0.41',
      '57.212.0.0.41.1.1',
      '57.212.0.0.41.9999',
      '57.212.-1.0.41.0',
      'a.b.c.d.e',
      '1e3.1.1.1.1',
      '1..1.1.1',
    ])
      expect(readStamp(text)).toBe(null)
  })

  it('says what holds, what does not, and nothing of another revision', () => {
    expect(stampLine(stamp, 57)).toBe(
      'Revision 57. All 212 things asked hold, over some 10^41 ways the simulated floor can be.',
    )
    expect(stampLine({ ...stamp, holds: 209, fails: 2, open: 1 }, 57)).toBe(
      'Revision 57. 209 of 212 things asked hold, 2 can go wrong, 1 not proven; over some 10^41 ways the simulated floor can be.',
    )
    expect(stampLine({ ...stamp, notLooked: ['pedals', 'backTwice'] }, 57)).toBe(
      'Revision 57. All 212 things asked hold, over some 10^41 ways the simulated floor can be. Not looked at: what a pedal leads; going back twice in a row.',
    )
    expect(stampLine(stamp, 58)).not.toContain('hold')
    expect(stampLine(null, 58)).toBe('Revision 58. Not proven.')
  })
})
