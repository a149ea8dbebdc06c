import { seeded } from '../../base/seeded'
import type { Pair, Placing } from '../placing'

/** A generated question of any kind: lopsided costs, pairs that hurry, free places, fixed items. */
export function makePlacing(seed: number, most = 14): { problem: Placing; start: Int32Array } {
  const random = seeded(seed)
  const some = (count: number) => Math.floor(random() * count)
  const items = 1 + some(most)
  const places = items + some(6)
  const pairs = Array.from({ length: some(4 * items) }, (): Pair => ({
    from: some(items),
    to: some(items),
    weight: 1 + some(9),
    within: some(3) === 0 ? some(60) : Infinity,
  }))
  const isLopsided = some(2) === 0
  const matrix = () => {
    const cells = Float64Array.from({ length: places ** 2 }, () => some(100))
    if (!isLopsided)
      for (let i = 0; i < places; i++)
        for (let j = 0; j < i; j++) cells[i * places + j] = cells[j * places + i]!
    return cells
  }
  const start = Int32Array.from({ length: places }, (_, n) => n)
  for (let n = places - 1; n > 0; n--) {
    const k = some(n + 1)
    const one = start[n]!
    start[n] = start[k]!
    start[k] = one
  }
  const hurries = some(2) === 0
  return {
    problem: {
      items,
      places,
      pairs,
      cost: matrix(),
      time: hurries ? matrix() : null,
      late: hurries ? 1000 : 0,
      alone: some(2) === 0 ? Float64Array.from({ length: items * places }, () => some(200)) : null,
      isFixed: Array.from({ length: items }, () => some(5) === 0),
    },
    start: start.slice(0, items),
  }
}
