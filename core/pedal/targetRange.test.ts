import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { makeControl } from '../rig/testing/makeRig'
import { shownText } from '../rig/chart/reading'
import type { Control } from '../rig/table/control'
import { newTarget } from './pedalEdits'
import { playsAt, STEPS } from './sweep'
import { rangeOf, withRange } from './targetRange'

const inRange = (low: number, high: number, unit: string) =>
  ({ kind: 'range', low, high, unit, scale: 'linear', from: 0, to: 127 }) as const
const mix = makeControl('mix', 'echo', 105, { name: 'Mix', reading: inRange(0, 100, '%') })
const pitch = makeControl('pitch', 'echo', 35, { name: 'Pitch', reading: inRange(-12, 12, 'semitones') })
const shown = (control: Control, value: number) => shownText(control.reading, value, 127)

describe('a pedal in a device’s own jack', () => {
  // 0-35 % on a mix; -12 semitones at 0 %, +12 at 100 % (common practice).
  it.each([
    [mix, 0, 44, '0.0 %', '34.6 %'],
    [pitch, 0, 127, '-12.0 semitones', '12.0 semitones'],
  ] as const)('plays just the range it is given', (control, heel, toe, low, high) => {
    const first = newTarget(control)
    const target = { ...first, ...withRange(first, { heel, toe }, true) }
    expect(rangeOf(target, control, true)).toEqual({ heel, toe })
    expect([0, STEPS].map((at) => shown(control, playsAt(target, control, at)))).toEqual([low, high])
  })

  it('shows a suggested range as its range, and says what an old one with two of them plays', () => {
    const first = newTarget(mix)
    expect(shown(mix, rangeOf(first, mix, true).toe)).toBe('34.6 %')
    const twice = { ...first, device: { heel: 0, toe: 44 } }
    expect(rangeOf(twice, mix, true).toe).toBe(playsAt(twice, mix, STEPS))
  })

  it('what is shown at the ends is what plays there, whatever was set before', () => {
    const ends = fc.record({ heel: fc.nat(127), toe: fc.nat(127) })
    fc.assert(
      fc.property(ends, fc.option(ends), ends, (sends, device, range) => {
        const before = { ...newTarget(mix), sends, device }
        const after = { ...before, ...withRange(before, range, true) }
        for (const one of [before, after]) {
          const { heel, toe } = rangeOf(one, mix, true)
          expect([playsAt(one, mix, 0), playsAt(one, mix, STEPS)]).toEqual([heel, toe])
        }
        expect(rangeOf(after, mix, true)).toEqual(range)
      }),
      generated(300, 31_0007),
    )
  })
})
