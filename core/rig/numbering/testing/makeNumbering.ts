import * as fc from 'fast-check'
import { numberingSchema, type Numbering } from '../numbering'

const counter = fc.oneof(
  fc.constant({ symbols: 'letters' as const }),
  fc.record({ symbols: fc.constant('digits' as const), first: fc.constantFrom(0 as const, 1 as const) }),
)
const sent = {
  count: fc.integer({ min: 1, max: 16_384 }),
  bankSelect: fc.constantFrom('none' as const, 'msb' as const, 'lsb' as const, 'both' as const),
  programsPerBank: fc.integer({ min: 1, max: 128 }),
}

/** Any numbering the schema takes, for generated tests. */
export const anyNumbering: fc.Arbitrary<Numbering> = fc
  .oneof(
    fc.record({
      style: fc.constant('plain' as const),
      ...sent,
      first: fc.constantFrom(0 as const, 1 as const),
      digits: fc.integer({ min: 1, max: 5 }),
    }),
    fc.record({
      style: fc.constant('banked' as const),
      ...sent,
      bank: counter,
      slot: counter,
      slots: fc.integer({ min: 1, max: 128 }),
      separator: fc.constantFrom('' as const, '-' as const, '.' as const, ':' as const, ' ' as const),
    }),
  )
  .filter((numbering) => numberingSchema.safeParse(numbering).success)
