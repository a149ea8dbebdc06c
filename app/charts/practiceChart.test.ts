import { expect, it } from 'vitest'
import type { Practice } from '#core/rig'
import { meanMs, practiceChart } from './practiceChart'

const day = (on: string, fields: Partial<Practice>): Practice => ({
  id: on as never,
  order: 1,
  on,
  calls: 10,
  misses: 0,
  wrongSteps: 0,
  found: 10,
  foundMs: 10_000,
  pairs: [],
  ...fields,
})

it('draws a day with no miss at the foot, one with nothing but misses at the head, times against the slowest', () => {
  const { dots, longestMs } = practiceChart(
    [
      day('2026-03-01', {}),
      day('2026-03-02', { misses: 10, found: 0, foundMs: 0 }),
      day('2026-03-03', { misses: 5, found: 4, foundMs: 8000 }),
    ],
    300,
    100,
  )
  expect(dots.map(({ missY }) => missY)).toEqual([100, 0, 50])
  expect(dots.map(({ meanMs: ms }) => ms)).toEqual([1000, null, 2000])
  expect(longestMs).toBe(2000)
  expect(dots.map(({ timeY }) => timeY)).toEqual([50, null, 0])
  expect(dots.map(({ x }) => x)).toEqual([50, 150, 250])
})

it('draws one day, none, and the last thirty of many', () => {
  expect(practiceChart([], 300, 100).dots).toEqual([])
  expect(practiceChart([day('2026-03-01', {})], 300, 100).dots[0]).toMatchObject({ x: 150 })
  expect(practiceChart([day('2026-03-01', { calls: 0, found: 0 })], 300, 100).dots).toEqual([])
  const many = Array.from({ length: 40 }, (_, n) => day(`2026-04-${n}`, {}))
  expect(practiceChart(many, 300, 100).dots.map(({ on }) => on)).toEqual(many.slice(10).map(({ on }) => on))
  expect(meanMs({ found: 0, foundMs: 0 })).toBeNull()
})
