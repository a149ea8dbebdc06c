import { describe, expect, it } from 'vitest'
import type { Setter } from '../rig/table/keying'
import { pressesIn, settingPresses, settingStrokes, type Domain } from './setting'

/** The fewest presses from a value to each, found by trying everything (breadth first): single steps, and holds of any length. */
function fewest(set: Extract<Setter, { how: 'steps' }>, size: number, from: number): number[] {
  const least = Array.from({ length: size }, () => Infinity)
  least[from] = 0
  const queue = [from]
  const reach = (to: number, presses: number) => {
    if (presses >= least[to]!) return
    least[to] = presses
    queue.push(to)
  }
  for (let value = queue.shift(); value !== undefined; value = queue.shift()) {
    const next = least[value]! + 1
    for (const sign of [1, -1]) {
      const to = value + sign
      if (to >= 0 && to < size) reach(to, next)
      else if (set.wraps) reach((to + size) % size, next)
      const by = set.fast?.by ?? size
      for (let far = value + sign * by; far >= 0 && far < size; far += sign * by) reach(far, next)
    }
  }
  return least
}

const steps = (wraps: boolean, by: number | null): Extract<Setter, { how: 'steps' }> => ({
  how: 'steps',
  down: 'less',
  up: 'more',
  wraps,
  fast: by === null ? null : { afterMs: 500, by },
})

/** Counted from the strokes, and without them, which must be the same. */
function presses(set: Setter, domain: Domain, from: number, to: number): number {
  const counted = pressesIn(settingStrokes(set, domain, from, to, 'x'))
  return settingPresses(set, domain, from, to) === counted ? counted : NaN
}

describe('presses that set a value', () => {
  it.each([2, 5, 16, 24, 37, 128])('by steps are the fewest there are, of %i values', (size) => {
    for (const wraps of [true, false])
      for (const by of [null, 2, 3, 5, 8, 10, 16, 50]) {
        const set = steps(wraps, by)
        for (let from = 0; from < size; from++) {
          const least = fewest(set, size, from)
          for (let to = 0; to < size; to++)
            if (presses(set, { size, first: 0 }, from, to) !== least[to])
              expect({
                size,
                wraps,
                by,
                from,
                to,
                presses: presses(set, { size, first: 0 }, from, to),
              }).toEqual({
                size,
                wraps,
                by,
                from,
                to,
                presses: least[to],
              })
        }
      }
  })

  // By hand: 99 to 5 shown as 100 and 6 is three digits that turn by 9, 0 and 6; typed it is one digit and the key that takes it.
  it('by digits are those of the number as it is shown', () => {
    const domain = { size: 128, first: 1 }
    expect(presses({ how: 'digits', enter: 'ok' }, domain, 99, 5)).toBe(2)
    expect(presses({ how: 'digits', enter: null }, domain, 5, 99)).toBe(3)
    expect(presses({ how: 'places', keys: ['hundreds', 'tens', 'ones'] }, domain, 99, 5)).toBe(9 + 0 + 6)
    expect(presses({ how: 'cursor', left: 'l', right: 'r', down: 'd', up: 'u' }, domain, 99, 5)).toBe(
      1 + 2 + 4,
    )
    expect(presses({ how: 'pick' }, domain, 5, 99)).toBe(1)
  })

  it('are none where the value stands already', () => {
    for (const set of [steps(true, 10), { how: 'digits', enter: 'ok' }, { how: 'pick' }] as Setter[])
      expect(presses(set, { size: 128, first: 0 }, 64, 64)).toBe(0)
  })
})
