import { describe, expect, it } from 'vitest'
import { adaptersBetween, doesWiringFit } from './wiring'

// RP-054, "Specification for TRS Adapters", from memory: type A has tip = DIN pin 5 and ring = DIN pin 4,
// type B the other way round. What arrives is followed contact by contact here, not by our table.
const PINS = {
  din: { current: '4', data: '5' },
  trsA: { current: 'ring', data: 'tip' },
  trsB: { current: 'tip', data: 'ring' },
} as const
type Wired = keyof typeof PINS

describe('MIDI wiring', () => {
  it('a plain TRS cable fits only where both ends have data on the same contact', () => {
    for (const out of ['trsA', 'trsB'] as const)
      for (const into of ['trsA', 'trsB'] as const) {
        expect(doesWiringFit(out, into, [])).toBe(PINS[out].data === PINS[into].data)
        // A crossing adapter swaps tip and ring.
        expect(doesWiringFit(out, into, ['cross'])).toBe(PINS[out].data !== PINS[into].data)
      }
  })

  it('an adapter to DIN is made for one type', () => {
    for (const [adapter, type] of [
      ['dinTrsA', 'trsA'],
      ['dinTrsB', 'trsB'],
    ] as const)
      for (const into of ['trsA', 'trsB'] as const)
        expect(doesWiringFit('din', into, [adapter])).toBe(type === into)
  })

  it('needs no more than two adapters for any pair, none for the same, and what it names fits', () => {
    for (const out of ['din', 'trsA', 'trsB', 'trrs'] as const)
      for (const into of ['din', 'trsA', 'trsB', 'trrs'] as const) {
        const adapters = adaptersBetween(out, into)
        expect(adapters.length).toBeLessThanOrEqual(2)
        expect(adapters.length === 0).toBe(out === into)
        expect(doesWiringFit(out, into, adapters)).toBe(true)
      }
  })

  it('crossing twice is not crossing at all', () => {
    for (const out of Object.keys(PINS) as Wired[])
      if (out !== 'din') expect(doesWiringFit(out, out, ['cross', 'cross'])).toBe(true)
  })
})
