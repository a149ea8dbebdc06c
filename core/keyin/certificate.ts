import type { Arborescence } from './arborescence'

/**
 * Whether an answer is shown to be least by its own certificate (linear programming duality: every tree must enter every
 * set at least once, so it costs at least the sum of what the sets take, where no edge is charged more than it costs).
 * Written on its own; O(size^2). Says what is wrong, null when nothing is.
 */
export function certificateFault(
  weights: ArrayLike<number>,
  roots: ArrayLike<number>,
  { parent, cost, within, duals }: Arborescence,
): string | null {
  const size = roots.length
  // The tree is one: every vertex leads up to the root, and costs what is said.
  let sum = 0
  const leads = new Uint8Array(size)
  for (let v = 0; v < size; v++) {
    const way: number[] = []
    for (let at = v; at >= 0 && !leads[at]; at = parent[at]!) {
      way.push(at)
      if (way.length > size) return `vertex ${v} is not reached`
    }
    for (const at of way) leads[at] = 1
    sum += parent[v]! < 0 ? roots[v]! : weights[v * size + parent[v]!]!
  }
  if (sum !== cost) return `it costs ${sum}, not ${cost}`
  // The sets lie in one another, and none takes less than nothing.
  const inside: number[][] = Array.from({ length: duals.length }, (_, n) => (n < size ? [n] : []))
  /** Where the vertices of a set begin among those of the one it lies in. */
  const begins = new Int32Array(duals.length)
  for (let node = 0; node < duals.length; node++) {
    if (!(duals[node]! >= 0)) return `a set takes ${duals[node]}`
    const outer = within[node]!
    if (outer >= 0 && (outer <= node || outer < size)) return 'a set lies in one made before it'
    if (outer < 0) continue
    begins[node] = inside[outer]!.length
    for (const v of inside[node]!) inside[outer]!.push(v)
  }
  // No edge is charged more than it costs.
  const charged = new Float64Array(size)
  for (let v = 0; v < size; v++) {
    charged.fill(-1)
    let taken = duals[v]!
    for (let node = v; within[node]! >= 0; node = within[node]!) {
      const all = inside[within[node]!]!
      const [from, to] = [begins[node]!, begins[node]! + inside[node]!.length]
      for (let n = 0; n < from; n++) charged[all[n]!] = taken
      for (let n = to; n < all.length; n++) charged[all[n]!] = taken
      taken += duals[within[node]!]!
    }
    for (let u = 0; u < size; u++) {
      const charge = charged[u]! < 0 ? taken : charged[u]!
      if (u !== v && charge > weights[v * size + u]!) return `the edge ${u} to ${v} is charged ${charge}`
    }
    if (taken > roots[v]!) return `the edge from the root to ${v} is charged ${taken}`
  }
  const total = duals.reduce((all, one) => all + one, 0)
  return total === cost ? null : `the sets take ${total} of ${cost}`
}
