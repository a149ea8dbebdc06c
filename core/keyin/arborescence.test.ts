import { describe, expect, it } from 'vitest'
import { seeds } from '#testing/runs'
import { seeded } from '../base/seeded'
import { arborescence } from './arborescence'
import { certificateFault } from './certificate'
import { makeDigraph } from './testing/makeDigraphs'

/** The least over every way of giving each vertex a parent that leads to the root. */
function byForce(weights: ArrayLike<number>, roots: ArrayLike<number>): number {
  const size = roots.length
  const parent = Array.from({ length: size }, () => -1)
  let least = Infinity
  const isTree = () =>
    parent.every((_, v) => {
      let at = v
      for (let n = 0; n <= size; n++) {
        if (at < 0) return true
        at = parent[at]!
      }
      return false
    })
  const choose = (v: number, cost: number): void => {
    if (cost >= least) return
    if (v === size) {
      if (isTree()) least = cost
      return
    }
    for (let u = -1; u < size; u++) {
      if (u === v) continue
      parent[v] = u
      choose(v + 1, cost + (u < 0 ? roots[v]! : weights[v * size + u]!))
    }
  }
  choose(0, 0)
  return least
}

describe('the cheapest arborescence', () => {
  it('is that of trying all, and its certificate passes, on small generated digraphs', () => {
    for (const seed of seeds(1000)) {
      const { weights, roots } = makeDigraph(seed, 1 + (seed % 6))
      const found = arborescence(weights, roots)
      expect(found.cost).toBe(byForce(weights, roots))
      expect(certificateFault(weights, roots, found)).toBeNull()
    }
  })

  it('has a certificate that passes where many vertices make sets within sets', () => {
    for (const seed of seeds(60)) {
      const { weights, roots } = makeDigraph(seed, 20 + seed)
      expect(certificateFault(weights, roots, arborescence(weights, roots))).toBeNull()
    }
  })

  it('is not taken by the checker where it costs more, claims less, or is no tree', () => {
    const random = seeded(5)
    for (const seed of seeds(200)) {
      const size = 3 + (seed % 5)
      const { weights, roots } = makeDigraph(seed, size)
      const found = arborescence(weights, roots)
      const v = Math.floor(random() * size)
      const u = (v + 1) % size
      const parent = found.parent.slice()
      parent[v] = u
      parent[u] = v
      expect(certificateFault(weights, roots, { ...found, parent })).not.toBeNull()
      expect(certificateFault(weights, roots, { ...found, cost: found.cost + 1 })).not.toBeNull()
      const duals = found.duals.slice()
      duals[v]! += 1
      expect(certificateFault(weights, roots, { ...found, duals })).not.toBeNull()
      // What is reached the dear way cannot be shown to be least.
      const dear = found.parent.map((_) => -1)
      const cost = roots.reduce((all, one) => all + one, 0)
      if (cost > found.cost)
        expect(certificateFault(weights, roots, { ...found, parent: dear, cost })).not.toBeNull()
    }
  })

  it('refuses a weight that is no number or below nothing, and a vertex nothing leads to', () => {
    expect(() => arborescence([0, NaN, 1, 0], [1, 1])).toThrow(RangeError)
    expect(() => arborescence([0, -1, 1, 0], [1, 1])).toThrow(RangeError)
    expect(() => arborescence([0, 1, 1, 0], [Infinity, Infinity])).toThrow(RangeError)
    expect(arborescence([], []).cost).toBe(0)
  })
})
