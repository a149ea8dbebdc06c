/**
 * The cheapest way to reach every vertex from the root, with its certificate. Nodes 0 to `size` - 1 are the vertices; those
 * from `size` on are sets that were cycles, in the order they were made. `within[n]` is the set a node was taken into, -1 for
 * none; `duals[n]` what was taken off the edges into it.
 */
export interface Arborescence {
  /** For each vertex the one it is reached from; -1 for the root. */
  readonly parent: Int32Array
  readonly cost: number
  readonly within: Int32Array
  readonly duals: Float64Array
}

/**
 * Minimum-cost arborescence of a complete digraph, by growing paths backwards (Edmonds 1967; H. N. Gabow, Z. Galil,
 * T. Spencer and R. E. Tarjan, "Efficient algorithms for finding minimum spanning trees in undirected and directed graphs",
 * Combinatorica 6, 1986, section 3), on dense rows: O(size^2). `weights[v * size + u]` is what reaching v from u costs,
 * `roots[v]` from the root; none may be negative or NaN. Infinity is no edge; from the root every vertex must be reachable.
 *
 * @throws RangeError where a weight is negative or not a number, or a vertex cannot be reached.
 */
export function arborescence(weights: ArrayLike<number>, roots: ArrayLike<number>): Arborescence {
  const size = roots.length
  if (weights.length !== size * size) throw new RangeError(`${weights.length} weights for ${size} vertices`)
  const most = 2 * size
  const within = new Int32Array(most).fill(-1)
  const duals = new Float64Array(most)
  /** The edge that was chosen into a node: from which vertex (-1 the root) to which vertex. */
  const chosenFrom = new Int32Array(most)
  const chosenTo = new Int32Array(most)
  /** Edges into a set from each vertex: the least, less all that was taken off, and which vertex of the set it goes to. */
  const rows: (Float64Array | null)[] = []
  const heads: (Int32Array | null)[] = []
  const rootRow = new Float64Array(most)
  const rootHead = new Int32Array(most)
  /** The outermost set of each vertex, by its group. */
  const outer = new Int32Array(size).map((_, v) => v)
  const members: number[][] = []
  /** 0 not looked at, 1 on the path, 2 joined to the root. */
  const state = new Uint8Array(most)
  let made = size

  const open = (v: number): void => {
    const row = new Float64Array(size)
    for (let u = 0; u < size; u++) {
      const weight = u === v ? Infinity : weights[v * size + u]!
      if (!(weight >= 0)) throw new RangeError(`a weight of ${weight}`)
      row[u] = weight
    }
    if (!(roots[v]! >= 0)) throw new RangeError(`a weight of ${roots[v]}`)
    rows[v] = row
    heads[v] = null
    rootRow[v] = roots[v]!
    rootHead[v] = v
    members[v] = [v]
  }

  for (let start = 0; start < size; start++) {
    if (state[outer[start]!] === 2) continue
    let node = outer[start]!
    const path: number[] = []
    for (;;) {
      if (node < size && !rows[node]) open(node)
      const row = rows[node]!
      let least = rootRow[node]!
      let from = -1
      for (let u = 0; u < size; u++)
        if (row[u]! < least) {
          least = row[u]!
          from = u
        }
      if (least === Infinity) throw new RangeError('a vertex cannot be reached')
      duals[node] = least
      chosenFrom[node] = from
      chosenTo[node] = from < 0 ? rootHead[node]! : (heads[node]?.[from] ?? node)
      state[node] = 1
      path.push(node)
      const next = from < 0 ? -1 : outer[from]!
      if (next < 0 || state[next] === 2) {
        for (const one of path) state[one] = 2
        break
      }
      if (state[next] === 0) {
        node = next
        continue
      }
      // A cycle: what was on the path from there on is one node.
      const cycle = path.splice(path.indexOf(next))
      node = contract(cycle)
    }
  }

  function contract(cycle: readonly number[]): number {
    const node = made++
    const row = new Float64Array(size).fill(Infinity)
    const head = new Int32Array(size)
    let [root, rootTo] = [Infinity, -1]
    const inside: number[] = []
    for (const one of cycle) {
      const [its, itsHead, off] = [rows[one]!, heads[one], duals[one]!]
      for (let u = 0; u < size; u++) {
        const left = its[u]! - off
        if (left < row[u]!) {
          row[u] = left
          head[u] = itsHead ? itsHead[u]! : one
        }
      }
      if (rootRow[one]! - off < root) [root, rootTo] = [rootRow[one]! - off, rootHead[one]!]
      within[one] = node
      rows[one] = null
      heads[one] = null
      for (const v of members[one]!) inside.push(v)
      members[one] = []
    }
    for (const v of inside) {
      row[v] = Infinity
      outer[v] = node
    }
    rows[node] = row
    heads[node] = head
    rootRow[node] = root
    rootHead[node] = rootTo
    members[node] = inside
    return node
  }

  // From the outermost in: an edge into a set takes the place of the one chosen into its vertex, and into all sets between.
  const parent = new Int32Array(size).fill(-2)
  const isTaken = new Uint8Array(made)
  for (let node = made - 1; node >= 0; node--) {
    if (isTaken[node]) continue
    const to = chosenTo[node]!
    for (let one = to; one !== node; one = within[one]!) isTaken[one] = 1
    parent[to] = chosenFrom[node]!
  }
  let cost = 0
  for (let v = 0; v < size; v++) cost += parent[v]! < 0 ? roots[v]! : weights[v * size + parent[v]!]!
  return { parent, cost, within: within.slice(0, made), duals: duals.slice(0, made) }
}
