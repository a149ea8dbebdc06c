import { describe, expect, it } from 'vitest'
import { BOX } from '#core/map'
import { frameFor, roundedPath } from './rigMap'

describe('a rounded path', () => {
  it('goes through its ends and round its corners', () => {
    const points = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 50 },
    ]
    expect(roundedPath(points, 10)).toBe('M0 0L90 0Q100 0 100 10L100 50')
  })

  it('rounds less where a stretch is short, and draws nothing of nothing', () => {
    const points = [
      { x: 0, y: 0 },
      { x: 8, y: 0 },
      { x: 8, y: 50 },
    ]
    expect(roundedPath(points, 10)).toBe('M0 0L4 0Q8 0 8 4L8 50')
    expect(roundedPath([], 10)).toBe('')
  })
})

describe('the frame of the map', () => {
  const view = { width: 600, height: 300 }

  it('holds every box and every corner', () => {
    const { left, top, width, height } = frameFor([{ x: -40, y: 10 }], [{ x: 300, y: -20 }], view)
    expect(left).toBeLessThan(-40)
    expect(top).toBeLessThan(-20)
    expect(left + width).toBeGreaterThan(300)
    expect(top + height).toBeGreaterThan(10 + BOX.height)
  })

  it('is at most a little larger than drawn, and never too small to read', () => {
    expect(frameFor([{ x: 0, y: 0 }], [], view).scale).toBe(1.2)
    expect(
      frameFor(
        [
          { x: 0, y: 0 },
          { x: 9000, y: 0 },
        ],
        [],
        view,
      ).scale,
    ).toBe(0.72)
    expect(frameFor([], [], { width: 0, height: 0 }).scale).toBeGreaterThan(0)
  })
})
