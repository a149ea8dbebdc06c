import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { generated } from '#testing/runs'
import { shownFor } from '../rig/chart/reading'
import { makeControl } from '../rig/testing/makeRig'
import type { Control } from '../rig/table/control'
import type { Curve } from '../rig/table/curve'
import type { Target } from '../rig/table/pedal'
import { makeTarget } from './testing/makePedals'
import { reversalLeap } from './leaps'
import { suggestedRange, sweepCaution, targetKind } from './suggest'
import { arrivesAt, isNarrowedTwice, narrowing, positionFor, sentAt, STEPS } from './sweep'

const mix = makeControl('mix', 'echo', 21, { name: 'Mix' })
const percentOf = (control: Control, value: number) =>
  Math.round(Number(shownFor(control.reading, value, 127)))
const named = (name: string, reading: Control['reading'] = mix.reading): Control => ({
  ...mix,
  name,
  reading,
})
const SEMITONES = {
  kind: 'range',
  unit: 'semitones',
  low: -12,
  high: 12,
  scale: 'linear',
  from: 0,
  to: 127,
} as const

describe('a sweep', () => {
  it('over all there is sends the 128 values of a controller (M1 v4.2.1, values 0-127; from memory)', () => {
    const whole = makeTarget('mix', {})
    expect(Array.from({ length: 128 }, (_, position) => sentAt(whole, position))).toEqual(
      Array.from({ length: 128 }, (_, value) => value),
    )
  })

  it('from a to b % of a control is v / 127 over the travel (midi-facts, Arithmetic; from memory)', () => {
    // 30-50 %, common practice.
    const part = makeTarget('mix', { sends: { heel: 38, toe: 64 } })
    expect(percentOf(mix, sentAt(part, 0))).toBe(30)
    expect(percentOf(mix, sentAt(part, 127))).toBe(50)
    for (let position = 0; position <= STEPS; position++)
      expect(sentAt(part, position)).toBe(Math.round(38 + ((64 - 38) * position) / 127))
  })

  it('stands still before and behind the part of the travel it follows', () => {
    const part = makeTarget('mix', { from: 25, to: 75 })
    expect([0, 31, 32, 64, 95, 96, 127].map((position) => sentAt(part, position))).toEqual([
      0, 0, 0, 64, 127, 127, 127,
    ])
  })

  it('refuses a place a pedal cannot be at', () => {
    expect(() => sentAt(makeTarget('mix', {}), 128)).toThrow(RangeError)
    expect(() => sentAt(makeTarget('mix', {}), 1.5)).toThrow(RangeError)
  })

  it('finds the first place for a value, whatever the curve, the range and the part of the travel', () => {
    const curves: Curve['kind'][] = ['linear', 'logarithmic', 'exponential', 's']
    fc.assert(
      fc.property(
        fc.constantFrom(...curves),
        fc.integer({ min: 0, max: 127 }),
        fc.integer({ min: 0, max: 127 }),
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 60, max: 100 }),
        fc.integer({ min: 0, max: 127 }),
        (kind, heel, toe, from, to, value) => {
          const target = makeTarget('mix', { sends: { heel, toe }, from, to, curve: { kind } as Curve })
          // Written plainly: all of them tried.
          let best = 0
          for (let position = 1; position <= 127; position++)
            if (Math.abs(sentAt(target, position) - value) < Math.abs(sentAt(target, best) - value))
              best = position
          expect(positionFor(target, value)).toBe(best)
        },
      ),
      generated(400, 4),
    )
  })
})

describe('narrowing', () => {
  const twice = makeTarget('mix', {
    sends: { heel: 29, toe: 94 },
    device: { heel: 29, toe: 94 },
    number: 11 as never,
  })

  it('at the controller (CC 29-94) and at the device (23-74 %) shrinks twice (common practice)', () => {
    // Plain arithmetic: a device told 23-74 % makes 23 + 51 v / 127 % of a value v.
    for (let position = 0; position <= STEPS; position++) {
      const sent = Math.round(29 + (65 * position) / 127)
      expect(sentAt(twice, position)).toBe(sent)
      expect(arrivesAt(twice, mix, sent)).toBe(Math.round(29 + (65 * sent) / 127))
    }
    expect(percentOf(mix, arrivesAt(twice, mix, sentAt(twice, 0)))).toBe(35)
    expect(percentOf(mix, arrivesAt(twice, mix, sentAt(twice, 127)))).toBe(61)
    expect(isNarrowedTwice(twice, mix)).toBe(true)
    expect(narrowing(twice, mix).arrives).toBeLessThan(narrowing(twice, mix).controller * 0.6)
  })

  it('at one of the two, the other being full, is right', () => {
    const atController = makeTarget('mix', { sends: { heel: 29, toe: 94 } })
    const atDevice = { ...twice, sends: { heel: 0, toe: 127 } }
    for (const target of [atController, atDevice]) {
      expect(isNarrowedTwice(target, mix)).toBe(false)
      expect(
        [0, 127].map((position) => percentOf(mix, arrivesAt(target, mix, sentAt(target, position)))),
      ).toEqual([23, 74])
    }
  })

  it('composed over any two ranges is plain arithmetic', () => {
    const end = fc.integer({ min: 0, max: 127 })
    fc.assert(
      fc.property(end, end, end, end, (heel, toe, low, high) => {
        const target = makeTarget('mix', {
          sends: { heel, toe },
          device: { heel: low, toe: high },
          number: 11 as never,
        })
        for (let position = 0; position <= STEPS; position++) {
          const sent = Math.round(heel + (toe - heel) * (position / 127))
          expect(arrivesAt(target, mix, sentAt(target, position))).toBe(
            Math.round(low + (high - low) * (sent / 127)),
          )
        }
      }),
      generated(200, 9),
    )
  })
})

describe('a suggested range', () => {
  const percent = (control: Control) => {
    const { heel, toe } = suggestedRange(control).ends
    return [percentOf(control, heel), percentOf(control, toe)]
  }

  it('of a wah is its playable middle, 23 to 74 % (common practice)', () => {
    expect(percent(named('Wah'))).toEqual([23, 74])
  })

  it('of a pitch range from -12 to +12 semitones is unison to an octave up, half of it to all (common practice)', () => {
    const pitch = named('Pitch', SEMITONES)
    const { heel, toe } = suggestedRange(pitch).ends
    expect(Math.abs(Number(shownFor(SEMITONES, heel, 127)))).toBeLessThan(0.1)
    expect(Number(shownFor(SEMITONES, toe, 127))).toBe(12)
    // Unison at 50 % of the pedal (common practice).
    expect(Number(shownFor(SEMITONES, sentAt(makeTarget('pitch', {}), 64), 127))).toBeCloseTo(0, 0)
  })

  it('of a mix stops at 35 % (common practice)', () => {
    expect(percent(named('Mix'))).toEqual([0, 35])
  })

  it('leaves a volume all it has, with a caution', () => {
    const volume = named('Volume')
    expect(percent(volume)).toEqual([0, 100])
    expect(sweepCaution(volume, suggestedRange(volume).ends)).toBe('loud')
    expect(sweepCaution(volume, { heel: 0, toe: 80 })).toBeNull()
  })

  it('warns of repeats that never end, not where they stop before', () => {
    const repeats = named('Repeats')
    expect(sweepCaution(repeats, { heel: 0, toe: 127 })).toBe('endless')
    expect(sweepCaution(repeats, { heel: 127, toe: 0 })).toBe('endless')
    expect(sweepCaution(repeats, suggestedRange(repeats).ends)).toBeNull()
  })

  it('goes by the name before the section, and by the unit where neither tells', () => {
    expect(targetKind({ ...named('Mix'), section: 'Wah' })).toBe('mix')
    expect(targetKind({ ...named('Amount'), section: 'Wah' })).toBe('wah')
    expect(targetKind(named('Amount', SEMITONES))).toBe('pitch')
    expect(targetKind(named('Amount'))).toBe('other')
  })
})

it('reversing with the foot at an end moves the sound at once, in the middle not (common practice)', () => {
  const target: Target = makeTarget('mix', { sends: { heel: 38, toe: 64 } })
  expect(reversalLeap(target, mix, 0)).toEqual({ before: 38, after: 64 })
  expect(reversalLeap(target, mix, 127)).toEqual({ before: 64, after: 38 })
  const { before, after } = reversalLeap(target, mix, 64)
  expect(Math.abs(before - after)).toBeLessThanOrEqual(1)
})
