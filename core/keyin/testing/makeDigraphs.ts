import { seeded } from '../../base/seeded'

/** A complete digraph with a root: small weights, so that many are equal and cycles are many. */
export function makeDigraph(seed: number, size: number): { weights: number[]; roots: number[] } {
  const random = seeded(seed + 1)
  const most = 2 + Math.floor(random() * 40)
  const number = (from: number) => from + Math.floor(random() * most)
  // A root that is far away makes cycles worth while.
  const far = random() < 0.6 ? most : 0
  return {
    weights: Array.from({ length: size * size }, () => number(0)),
    roots: Array.from({ length: size }, () => number(far)),
  }
}
