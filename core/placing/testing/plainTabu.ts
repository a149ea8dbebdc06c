/**
 * The textbook form of the search, written plainly, for tests and the bench: the table of changes as in Taillard's paper
 * (Parallel Computing 17 (1991) 443-455), O(1) for pairs that do not touch what was exchanged and O(n) for those that do.
 * It shares no code with `tabu.ts`, and does the same exchanges for the same chances as long as no two are equally good.
 */
export class PlainTabu {
  cost: number
  bestCost: number
  readonly at: Int32Array
  readonly best: Int32Array
  #iteration = 0
  readonly #until: Float64Array
  readonly #change: Float64Array
  readonly #isSymmetric: boolean

  constructor(
    private readonly n: number,
    private readonly a: Float64Array,
    private readonly b: Float64Array,
    start: Int32Array,
    private readonly random: () => number,
  ) {
    const isSame = (m: Float64Array) => m.every((one, k) => one === m[(k % n) * n + Math.floor(k / n)])
    this.#isSymmetric = isSame(a) && isSame(b)
    this.at = start.slice()
    this.best = start.slice()
    this.cost = 0
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++) this.cost += a[i * n + j]! * b[this.at[i]! * n + this.at[j]!]!
    this.bestCost = this.cost
    this.#until = new Float64Array(n * n).fill(-1)
    this.#change = new Float64Array(n * n)
    for (let r = 0; r < n; r++) for (let s = r + 1; s < n; s++) this.#change[r * n + s] = this.#whole(r, s)
  }

  /** What exchanging r and s changes, from nothing. */
  #whole(r: number, s: number): number {
    const { n, a, b, at } = this
    const [pr, ps] = [at[r]!, at[s]!]
    let sum = 0
    for (let k = 0; k < n; k++) {
      if (k === r || k === s) continue
      const pk = at[k]!
      sum += (a[r * n + k]! - a[s * n + k]!) * (b[ps * n + pk]! - b[pr * n + pk]!)
      if (!this.#isSymmetric) sum += (a[k * n + r]! - a[k * n + s]!) * (b[pk * n + ps]! - b[pk * n + pr]!)
    }
    return (
      (this.#isSymmetric ? 2 * sum : sum) +
      (a[r * n + r]! - a[s * n + s]!) * (b[ps * n + ps]! - b[pr * n + pr]!) +
      (a[r * n + s]! - a[s * n + r]!) * (b[ps * n + pr]! - b[pr * n + ps]!)
    )
  }

  /** From what it was before r and s were exchanged, for u and v that are neither. */
  #part(before: number, u: number, v: number, r: number, s: number): number {
    const { n, a, b, at } = this
    const [pu, pv, pr, ps] = [at[u]!, at[v]!, at[r]!, at[s]!]
    const one =
      (a[r * n + u]! - a[r * n + v]! + a[s * n + v]! - a[s * n + u]!) *
      (b[ps * n + pu]! - b[ps * n + pv]! + b[pr * n + pv]! - b[pr * n + pu]!)
    if (this.#isSymmetric) return before + 2 * one
    return (
      before +
      one +
      (a[u * n + r]! - a[v * n + r]! + a[v * n + s]! - a[u * n + s]!) *
        (b[pu * n + ps]! - b[pv * n + ps]! + b[pv * n + pr]! - b[pu * n + pr]!)
    )
  }

  run(iterations: number): void {
    const { n, at } = this
    const change = this.#change
    const until = this.#until
    for (let k = 0; k < iterations; k++) {
      let [r, s, least] = [-1, -1, Infinity]
      for (let u = 0; u < n; u++)
        for (let v = u + 1; v < n; v++) {
          const now = change[u * n + v]!
          if (now >= least) continue
          const mayGo =
            until[u * n + at[v]!]! < this.#iteration ||
            until[v * n + at[u]!]! < this.#iteration ||
            this.cost + now < this.bestCost - 1e-7
          if (!mayGo) continue
          r = u
          s = v
          least = now
        }
      if (r < 0) return
      this.#iteration++
      const spread = 0.2 * n + 2
      const [pr, ps] = [at[r]!, at[s]!]
      until[r * n + pr] = this.#iteration + 0.9 * n + Math.floor(this.random() * spread)
      until[s * n + ps] = this.#iteration + 0.9 * n + Math.floor(this.random() * spread)
      at[r] = ps
      at[s] = pr
      this.cost += least
      if (this.cost < this.bestCost - 1e-7) {
        this.bestCost = this.cost
        this.best.set(at)
      }
      for (let u = 0; u < n; u++)
        for (let v = u + 1; v < n; v++)
          change[u * n + v] =
            u === r || u === s || v === r || v === s
              ? this.#whole(u, v)
              : this.#part(change[u * n + v]!, u, v, r, s)
    }
  }
}
