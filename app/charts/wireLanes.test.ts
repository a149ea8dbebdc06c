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

it('says what short bars are beside them, where there is room, and cuts it where there is none', () => {
  // 640 µs of 64 ms on 600 px is 6 px wide.
  const { lanes } = wireLanes([input('a', 0, 640), input('a', 640, 1280), input('b', 63_360, 64_000)], 600)
  expect(lanes.map(({ aside }) => aside)).toEqual([
    { x: 17, isBefore: false, text: 'PC 7, PC 7' },
    { x: 589, isBefore: true, text: 'PC 7' },
  ])
  const narrow = wireLanes([input('a', 0, 640), input('b', 640, 640_000)], 40)
  expect(narrow.lanes[0]!.aside?.text.length ?? 0).toBeLessThan(6)
  expect(wireLanes([input('a', 0, 640)], 400).lanes[0]!.aside).toBeNull()
})
