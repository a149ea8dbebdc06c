import { expect, it } from 'vitest'
import { wireLanes } from './wireLanes'

const input = (lane: string, start: number, end: number) => ({
  lane,
  start,
  end,
  text: 'PC 7',
  tone: 'program',
})

it('draws on a true time axis that begins with the first message, a lane per device', () => {
  const { lanes, ticks } = wireLanes(
    [input('a', 5000, 5640), input('b', 5640, 6280), input('a', 6280, 7560)],
    400,
  )
  expect(lanes.map(({ name, bars }) => [name, bars.map(({ x, width }) => [x, width])])).toEqual([
    [
      'a',
      [
        [0, 100],
        [200, 200],
      ],
    ],
    ['b', [[100, 100]]],
  ])
  expect(ticks[0]).toEqual({ x: 0, text: '0 ms' })
})

it('leaves out text that does not fit, and draws nothing for nothing', () => {
  expect(wireLanes([input('a', 0, 640), input('b', 640, 64_000)], 300).lanes[0]?.bars[0]?.hasText).toBe(false)
  expect(wireLanes([], 300).lanes).toEqual([])
})
