import { describe, expect, it } from 'vitest'
import { fuzz, TARGETS } from '../bench/fuzz'

/** `npm run fuzz` gives each a million. */
const INPUTS = 3000

describe.each(TARGETS.map((target) => [target.name, target] as const))('the reader of a %s', (_, target) => {
  it('throws at nothing, and takes no second over it', () => {
    const { threw, first, longest } = fuzz(target, INPUTS, 20261125)
    expect([threw, first]).toEqual([0, null])
    expect(longest).toBeLessThan(1000)
  }, 60_000)
})

it('a reader that throws is noticed', () => {
  const planted = { name: 'planted', make: () => 'x', read: () => JSON.parse('{') as unknown }
  expect(fuzz(planted, 10, 1)).toMatchObject({ threw: 10, first: { input: 'x' } })
})
