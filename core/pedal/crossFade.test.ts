import { describe, expect, it } from 'vitest'
import { makeControl, makeDevice, makeRig } from '../rig/testing/makeRig'
import { crossFade } from './crossFade'
import { makeRoleOf, makeTarget } from './testing/makePedals'

const rig = makeRig({
  devices: [makeDevice('echo', 1), makeDevice('tremolo', 2, { order: 2 })],
  controls: [
    makeControl('mix', 'echo', 21),
    makeControl('depth', 'tremolo', 22),
    makeControl('rate', 'tremolo', 23),
  ],
})
const rises = makeTarget('mix')
const falls = makeTarget('depth', { sends: { heel: 127, toe: 0 } })

describe('a cross-fade', () => {
  it('of two straight lines comes to 100 % all the way', () => {
    const fade = crossFade(rig, makeRoleOf([rises, falls]))!
    expect(fade.targets).toEqual([0, 1])
    for (const sum of fade.sum) expect(sum).toBeCloseTo(1, 9)
  })

  it('is found whatever stands between, in either order, and whichever range each has', () => {
    const narrow = makeTarget('depth', { sends: { heel: 90, toe: 10 } })
    const also = makeTarget('rate')
    expect(crossFade(rig, makeRoleOf([narrow, also, rises]))!.targets).toEqual([0, 1])
    for (const targets of [
      [rises, narrow],
      [narrow, rises],
    ]) {
      const { sum } = crossFade(rig, makeRoleOf(targets))!
      expect([sum[0], sum[127]]).toEqual([1, 1])
      for (const one of sum) expect(Math.abs(one - 1)).toBeLessThan(0.02)
    }
  })

  it('of an audio taper that comes in and one that goes out is thinnest in the middle (common practice: a tenth at half)', () => {
    const comes = { ...rises, curve: { kind: 'exponential' } as const }
    const goes = { ...falls, curve: { kind: 'logarithmic' } as const }
    const { worst, sum } = crossFade(rig, makeRoleOf([comes, goes]))!
    // Plain arithmetic: a tenth of one, and of the other 1 - ln(1 + 80 / 2) / ln 81.
    expect(Math.abs(sum[64]! - (0.1 + 1 - Math.log(41) / Math.log(81)))).toBeLessThan(0.01)
    expect(worst.sum).toBe(Math.min(...sum))
  })

  it('is none where both go the same way, one stands still, or there is one alone', () => {
    expect(crossFade(rig, makeRoleOf([rises, makeTarget('depth')]))).toBeNull()
    expect(
      crossFade(rig, makeRoleOf([rises, makeTarget('depth', { sends: { heel: 40, toe: 40 } })])),
    ).toBeNull()
    expect(crossFade(rig, makeRoleOf([rises]))).toBeNull()
  })
})
