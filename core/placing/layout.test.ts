import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { runs, seeds } from '#testing/runs'
import { seeded } from '../base/seeded'
import { Annealer } from './anneal'
import { improve, improved } from './improve'
import { linksOf } from './links'
import { makePlacing } from './testing/makePlacing'
import { matricesOf } from './matrices'
import { costOf, isPlacing, plainPlacing, type Placing } from './placing'
import { PlainTabu } from './testing/plainTabu'
import { Tabu } from './tabu'

interface Published {
  readonly name: string
  readonly n: number
  readonly optimum: number
  readonly A: readonly number[]
  readonly B: readonly number[]
}

// QAPLIB, R. E. Burkard, S. E. Karisch, F. Rendl, Journal of Global Optimization 10 (1997) 391-403.
const folder = new URL('./qaplib/', import.meta.url)
const PUBLISHED = readdirSync(folder)
  .filter((name) => name.endsWith('.json'))
  .map((name) => JSON.parse(readFileSync(new URL(name, folder), 'utf8')) as Published)

const inOrder = (n: number) => Int32Array.from({ length: n }, (_, k) => k)

describe('published instances', () => {
  it.each(PUBLISHED)(
    '$name: the published optimum $optimum is reached with three seeds',
    ({ n, A, B, optimum }) => {
      const problem = plainPlacing(n, A, B)
      for (const seed of [1, 2, 3]) {
        let found = improved(problem, inOrder(n), 0, seed)
        for (const next of improve(problem, inOrder(n), seed)) {
          found = next
          // As many slices as take well under a second (see the bench).
          if (next.cost <= optimum || next.rounds >= 24) break
        }
        expect(found.cost).toBe(optimum)
        expect(costOf(problem, found.at)).toBe(optimum)
      }
    },
  )

  it('are eight', () => expect(PUBLISHED).toHaveLength(8))
})

/** A row of places one apart, in lines of `columns`. */
function grid(columns: number, rows: number): Float64Array {
  const n = columns * rows
  return Float64Array.from({ length: n * n }, (_, k) => {
    const [p, q] = [Math.floor(k / n), k % n]
    return (
      Math.abs((p % columns) - (q % columns)) + Math.abs(Math.floor(p / columns) - Math.floor(q / columns))
    )
  })
}

const scrambled = (n: number, seed: number): Int32Array => {
  const random = seeded(seed)
  const all = [...inOrder(n)]
  return Int32Array.from({ length: n }, () => all.splice(Math.floor(random() * all.length), 1)[0]!)
}

describe('sets whose best is known', () => {
  const chain = (n: number, isRound = false) =>
    Float64Array.from({ length: n * n }, (_, k) => {
      const [i, j] = [Math.floor(k / n), k % n]
      return j === i + 1 || (isRound && i === n - 1 && j === 0) ? 1 : 0
    })

  it.each([
    [4, 2],
    [5, 2],
    [4, 4],
    [6, 5],
  ])(
    'a set played from the first to the last on %i by %i: every step goes to a neighbour',
    (columns, rows) => {
      const n = columns * rows
      const problem = plainPlacing(n, chain(n), grid(columns, rows))
      expect(improved(problem, scrambled(n, n), 60).cost).toBe(n - 1)
    },
  )

  it('a set that begins again: a way round an even grid, one more on an odd one', () => {
    expect(improved(plainPlacing(16, chain(16, true), grid(4, 4)), scrambled(16, 1), 60).cost).toBe(16)
    expect(improved(plainPlacing(15, chain(15, true), grid(5, 3)), scrambled(15, 1), 60).cost).toBe(16)
  })

  it('one sound between all the others on a line: they stand on both sides of it', () => {
    const n = 11
    const star = Float64Array.from({ length: n * n }, (_, k) => (k > 0 && k < n ? 1 : 0))
    // 2 (1 + 2 + ... + 5).
    expect(improved(plainPlacing(n, star, grid(n, 1)), scrambled(n, 3), 40).cost).toBe(30)
  })

  it('songs of four sounds over ten banks of four: no song is torn apart', () => {
    const zones = 10
    const n = 4 * zones
    const flow = Float64Array.from({ length: n * n }, (_, k) => {
      const [i, j] = [Math.floor(k / n), k % n]
      return i !== j && i % zones === j % zones ? 1 : 0
    })
    const far = Float64Array.from({ length: n * n }, (_, k) => {
      const [p, q] = [Math.floor(k / n), k % n]
      return p === q ? 0 : Math.floor(p / 4) === Math.floor(q / 4) ? 1 : 9
    })
    expect(improved(plainPlacing(n, flow, far), scrambled(n, 5), 60).cost).toBe(zones * 12)
  })
})

describe('the search', () => {
  it('makes the same exchanges as the textbook, in both its forms', () => {
    for (const [n, isSymmetric] of [
      [2, true],
      [7, true],
      [7, false],
      [19, false],
      [30, true],
      [41, true],
    ] as const) {
      const random = seeded(n)
      const matrix = () => {
        const cells = Float64Array.from({ length: n * n }, () => Math.floor(random() * 1e6))
        if (isSymmetric)
          for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) cells[i * n + j] = cells[j * n + i]!
        return cells
      }
      const [a, b] = [matrix(), matrix()]
      const problem = plainPlacing(n, a, b)
      const ours = new Tabu(matricesOf(problem), seeded(1))
      const plain = new PlainTabu(n, a, b, inOrder(n), seeded(1))
      ours.load(inOrder(n))
      for (let k = 0; k < 40; k++) {
        ours.run(5)
        plain.run(5)
        expect([ours.cost, ours.bestCost]).toEqual([plain.cost, plain.bestCost])
        expect([...ours.best]).toEqual([...plain.best])
      }
      expect(costOf(problem, ours.best)).toBe(ours.bestCost)
    }
  })

  it('knows what every exchange changes where items pay alone, some are fixed and places are free', () => {
    for (const seed of seeds(60, 1)) {
      const { problem, start } = makePlacing(seed, 20)
      const plain: Placing = { ...problem, late: 0, time: null }
      const tabu = new Tabu(matricesOf(plain), seeded(seed))
      const whole = new Int32Array(plain.places)
      whole.set(start)
      const taken = new Set(start)
      let free = plain.items
      for (let place = 0; place < plain.places; place++) if (!taken.has(place)) whole[free++] = place
      tabu.load(whole)
      tabu.run(60)
      const at = tabu.best.slice(0, plain.items)
      expect(isPlacing(plain, at, start)).toBe(true)
      expect(costOf(plain, at)).toBeCloseTo(tabu.bestCost, 5)
    }
  })

  it('is exact where one of the two is symmetric', () => {
    for (const seed of seeds(60, 1)) {
      const { problem, start } = makePlacing(seed)
      const plain: Placing = { ...problem, late: 0, time: null }
      const { n, flow, distance, alone } = matricesOf(plain)
      let sum = 0
      for (let i = 0; i < start.length; i++) sum += alone[i * n + start[i]!]!
      for (let i = 0; i < start.length; i++)
        for (let j = 0; j < start.length; j++) sum += flow[i * n + j]! * distance[start[i]! * n + start[j]!]!
      expect(sum).toBeCloseTo(costOf(plain, start), 6)
    }
  })

  it('says of every run what it gained, with hurry, free places and lopsided costs', () => {
    let moved = 0
    for (const seed of seeds(400, 1)) {
      const { problem, start } = makePlacing(seed)
      const annealer = new Annealer(problem, linksOf(problem), start, seeded(seed))
      const gained = annealer.run(300, 1, 0.01)
      expect(isPlacing(problem, annealer.at, start)).toBe(true)
      expect(costOf(problem, annealer.at) - costOf(problem, start)).toBeCloseTo(gained, 6)
      expect(gained).toBeLessThanOrEqual(1e-9)
      if (gained < 0) moved++
    }
    expect(moved).toBeGreaterThan(runs(200))
  })

  it('is never worse than what stands, never moves what is fixed, and finds the best of all orders', () => {
    for (const seed of seeds(80, 1)) {
      const { problem, start } = makePlacing(seed, 5)
      const before = costOf(problem, start)
      let last = Infinity
      for (const { at, cost, rounds } of improve(problem, start, seed)) {
        expect(isPlacing(problem, at, start)).toBe(true)
        expect(cost).toBeCloseTo(costOf(problem, at), 6)
        expect(cost).toBeLessThanOrEqual(Math.min(last, before))
        last = cost
        if (rounds === 3) break
      }
      expect(last).toBeCloseTo(bestOfAll(problem, start), 6)
    }
  })

  it('answers the same to the same question, and refuses what is no placing', () => {
    const { problem, start } = makePlacing(11)
    expect(improved(problem, start, 9, 4)).toEqual(improved(problem, start, 9, 4))
    const twice = start.slice().fill(0)
    expect(() => improved({ ...problem, items: 2 }, twice.slice(0, 2), 1)).toThrow(RangeError)
    expect(() => plainPlacing(3, [1, 2], [3])).toThrow(RangeError)
  })
})

/** Every way to place what may move, tried: the cheapest. */
function bestOfAll(problem: Placing, start: Int32Array): number {
  const movable = [...start.keys()].filter((u) => !problem.isFixed[u])
  const fixed = new Set([...start].filter((_, u) => problem.isFixed[u]))
  const open = Array.from({ length: problem.places }, (_, p) => p).filter((p) => !fixed.has(p))
  const at = start.slice()
  let least = Infinity
  const place = (n: number): void => {
    if (n === movable.length) {
      least = Math.min(least, costOf(problem, at))
      return
    }
    for (const [k, p] of open.entries()) {
      if (p < 0) continue
      at[movable[n]!] = p
      open[k] = -1
      place(n + 1)
      open[k] = p
    }
  }
  place(0)
  return least
}
