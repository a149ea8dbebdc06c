import type { Matrices, matricesOf } from './matrices'

/**
 * Robust tabu search (Taillard, Parallel Computing 17 (1991) 443-455) that keeps the change of cost of every exchange in a
 * table. Where it differs from the paper: after exchanging r and s the table of pairs that touch neither is brought up to
 * date by one product of differences each, fused with the search for the next exchange, and the pairs that do touch them
 * are read in O(1) from `worth[u][v]`, what item u would pay in the place of item v, itself kept by a rank-1 update. Every
 * iteration is two passes over contiguous rows.
 *
 * Items are numbered anew inside: those that may move and are paired with something first, then free places, then fixed
 * ones.
 */
export class Tabu {
  readonly #n: number
  /** Items that may be exchanged, and of these the ones that pay anything. */
  readonly #movable: number
  readonly #paying: number
  readonly #isSymmetric: boolean
  readonly #order: Int32Array
  readonly #flow: Float64Array
  readonly #distance: Float64Array
  /** What an item pays alone in a place. */
  readonly #alone: Float64Array
  /** Distances between the places items are in now. */
  readonly #apart: Float64Array
  readonly #worth: Float64Array
  readonly #change: Float64Array
  /** Until which iteration an item may not come back to a place. */
  readonly #until: Float64Array
  readonly #at: Int32Array
  readonly #random: () => number
  readonly #da: Float64Array
  readonly #db: Float64Array
  readonly #daTo: Float64Array
  readonly #dbTo: Float64Array
  #iteration = 0
  #cost = 0
  readonly #best: Int32Array
  bestCost = Infinity

  constructor(
    { n, flow, distance, alone, isFixed, isSymmetric }: ReturnType<typeof matricesOf> & Matrices,
    random: () => number,
  ) {
    const pays = (u: number) => {
      for (let v = 0; v < n; v++)
        if (flow[u * n + v] !== 0 || flow[v * n + u] !== 0 || alone[u * n + v] !== 0) return true
      return false
    }
    const rank = Array.from({ length: n }, (_, u) => (isFixed[u] ? 2 : pays(u) ? 0 : 1))
    this.#order = Int32Array.from(
      Array.from({ length: n }, (_, u) => u).sort((a, b) => rank[a]! - rank[b]! || a - b),
    )
    this.#n = n
    this.#movable = rank.filter((one) => one < 2).length
    this.#paying = rank.filter((one) => one === 0).length
    this.#isSymmetric = isSymmetric
    this.#flow = new Float64Array(n * n)
    this.#distance = distance.slice()
    this.#alone = new Float64Array(n * n)
    for (let u = 0; u < n; u++)
      for (let v = 0; v < n; v++) this.#flow[u * n + v] = flow[this.#order[u]! * n + this.#order[v]!]!
    for (let u = 0; u < n; u++)
      for (let place = 0; place < n; place++)
        this.#alone[u * n + place] =
          this.#flow[u * n + u]! * distance[place * n + place]! + alone[this.#order[u]! * n + place]!
    for (let u = 0; u < n; u++) {
      this.#flow[u * n + u] = 0
      this.#distance[u * n + u] = 0
    }
    this.#apart = new Float64Array(n * n)
    this.#worth = new Float64Array(this.#movable * this.#movable)
    this.#change = new Float64Array(this.#movable * this.#movable)
    this.#until = new Float64Array(n * n)
    this.#at = new Int32Array(n)
    this.#best = new Int32Array(n)
    this.#random = random
    const row = () => new Float64Array(n)
    this.#da = row()
    this.#db = row()
    this.#daTo = row()
    this.#dbTo = row()
  }

  /** The cheapest placing seen since {@link load}: the place of every item, free places last. */
  get best(): Int32Array {
    const at = new Int32Array(this.#n)
    for (let u = 0; u < this.#n; u++) at[this.#order[u]!] = this.#best[u]!
    return at
  }

  get cost(): number {
    return this.#cost
  }

  /** Begins at a placing of all n items, free places among them. Costs O(n^3). */
  load(places: Int32Array): void {
    const n = this.#n
    const at = this.#at
    for (let u = 0; u < n; u++) at[u] = places[this.#order[u]!]!
    for (let u = 0; u < n; u++)
      for (let v = 0; v < n; v++) this.#apart[u * n + v] = this.#distance[at[u]! * n + at[v]!]!
    this.#until.fill(-1)
    this.#iteration = 0
    this.#cost = 0
    for (let u = 0; u < n; u++) {
      this.#cost += this.#alone[u * n + at[u]!]!
      for (let v = 0; v < n; v++) this.#cost += this.#flow[u * n + v]! * this.#apart[u * n + v]!
    }
    this.bestCost = this.#cost
    this.#best.set(at)
    this.#fill()
  }

  #fill(): void {
    const n = this.#n
    const m = this.#movable
    const half = this.#isSymmetric ? 0.5 : 1
    for (let u = 0; u < m; u++)
      for (let v = 0; v < m; v++) {
        let sum = half * this.#alone[u * n + this.#at[v]!]!
        for (let k = 0; k < n; k++) sum += this.#flow[u * n + k]! * this.#apart[v * n + k]!
        if (!this.#isSymmetric)
          for (let k = 0; k < n; k++) sum += this.#flow[k * n + u]! * this.#apart[k * n + v]!
        this.#worth[u * m + v] = sum
      }
    for (let u = 0; u < m; u++) for (let v = u + 1; v < m; v++) this.#change[u * m + v] = this.#changeOf(u, v)
  }

  /** What exchanging two items changes, in O(1). */
  #changeOf(u: number, v: number): number {
    const n = this.#n
    const m = this.#movable
    const worth = this.#worth
    const four = worth[u * m + v]! - worth[u * m + u]! - worth[v * m + v]! + worth[v * m + u]!
    const forth = this.#flow[u * n + v]!
    const back = this.#flow[v * n + u]!
    const there = this.#apart[u * n + v]!
    const here = this.#apart[v * n + u]!
    return this.#isSymmetric ? 2 * (four + 2 * forth * there) : four + (forth + back) * (there + here)
  }

  /** So many exchanges, each the best that is not forbidden. Stops early when fewer than two items may move. */
  run(iterations: number): void {
    const n = this.#n
    const m = this.#movable
    if (m < 2 || this.#paying === 0) return
    let [r, s] = this.#first()
    for (let k = 0; k < iterations && r >= 0; k++) {
      const step = this.#change[r * m + s]!
      this.#iteration++
      const [placeR, placeS] = [this.#at[r]!, this.#at[s]!]
      // Tenure as in the paper: about n, by chance a tenth more or less.
      const spread = 0.2 * n + 2
      this.#until[r * n + placeR] = this.#iteration + 0.9 * n + Math.floor(this.#random() * spread)
      this.#until[s * n + placeS] = this.#iteration + 0.9 * n + Math.floor(this.#random() * spread)
      this.#cost += step
      // Before the next one is looked for, which is measured against it.
      const isBest = this.#cost < this.bestCost - 1e-7
      if (isBest) this.bestCost = this.#cost
      ;[r, s] = this.#isSymmetric ? this.#exchange(r, s) : this.#exchangeBoth(r, s)
      if (isBest) this.#best.set(this.#at)
    }
  }

  #mayGo(u: number, v: number, change: number): boolean {
    const n = this.#n
    return (
      this.#until[u * n + this.#at[v]!]! < this.#iteration ||
      this.#until[v * n + this.#at[u]!]! < this.#iteration ||
      this.#cost + change < this.bestCost - 1e-7
    )
  }

  #first(): [number, number] {
    let [r, s, least] = [-1, -1, Infinity]
    const m = this.#movable
    for (let u = 0; u < this.#paying; u++)
      for (let v = u + 1; v < m; v++) {
        const change = this.#change[u * m + v]!
        if (change < least && this.#mayGo(u, v, change)) [r, s, least] = [u, v, change]
      }
    return [r, s]
  }

  /** Places of r and s exchanged: rows and columns of the distances, columns of what things are worth. */
  #turn(r: number, s: number): void {
    const n = this.#n
    const m = this.#movable
    const apart = this.#apart
    for (let k = 0; k < n; k++) {
      const one = apart[r * n + k]!
      apart[r * n + k] = apart[s * n + k]!
      apart[s * n + k] = one
    }
    for (let k = 0; k < n; k++) {
      const one = apart[k * n + r]!
      apart[k * n + r] = apart[k * n + s]!
      apart[k * n + s] = one
    }
    const worth = this.#worth
    for (let k = 0; k < m; k++) {
      const one = worth[k * m + r]!
      worth[k * m + r] = worth[k * m + s]!
      worth[k * m + s] = one
    }
    const place = this.#at[r]!
    this.#at[r] = this.#at[s]!
    this.#at[s] = place
  }

  #exchange(r: number, s: number): [number, number] {
    const n = this.#n
    const m = this.#movable
    const flow = this.#flow
    const worth = this.#worth
    const change = this.#change
    const da = this.#da
    const db = this.#db
    for (let u = 0; u < m; u++) {
      da[u] = flow[r * n + u]! - flow[s * n + u]!
      db[u] = this.#apart[s * n + u]! - this.#apart[r * n + u]!
    }
    for (let u = 0; u < m; u++) {
      const by = da[u]!
      if (by === 0) continue
      const row = u * m
      for (let v = 0; v < m; v++) worth[row + v]! += by * db[v]!
    }
    this.#turn(r, s)
    for (let v = 0; v < m; v++) {
      if (v !== r && v !== s) {
        change[v < r ? v * m + r : r * m + v] = this.#changeOf(r, v)
        change[v < s ? v * m + s : s * m + v] = this.#changeOf(s, v)
      }
    }
    const kept = this.#changeOf(r, s)
    // The pair itself and those touching it are right already: with no difference the product leaves them as they are.
    let [nextR, nextS, least] = [-1, -1, Infinity]
    const paying = this.#paying
    for (let u = 0; u < paying; u++) {
      const row = u * m
      if (u === r || u === s) {
        for (let v = u + 1; v < m; v++) {
          const now = change[row + v]!
          if (now < least && v !== r && v !== s && this.#mayGo(u, v, now)) {
            nextR = u
            nextS = v
            least = now
          }
        }
        continue
      }
      const byA = da[u]!
      const byB = db[u]!
      const touchR = r > u ? change[row + r]! : 0
      const touchS = s > u ? change[row + s]! : 0
      for (let v = u + 1; v < m; v++) {
        const now = change[row + v]! - 2 * (byA - da[v]!) * (byB - db[v]!)
        change[row + v] = now
        if (now < least && v !== r && v !== s && this.#mayGo(u, v, now)) {
          nextR = u
          nextS = v
          least = now
        }
      }
      if (r > u) {
        change[row + r] = touchR
        if (touchR < least && this.#mayGo(u, r, touchR)) {
          nextR = u
          nextS = r
          least = touchR
        }
      }
      if (s > u) {
        change[row + s] = touchS
        if (touchS < least && this.#mayGo(u, s, touchS)) {
          nextR = u
          nextS = s
          least = touchS
        }
      }
    }
    change[Math.min(r, s) * m + Math.max(r, s)] = kept
    if (kept < least && this.#mayGo(r, s, kept)) return [Math.min(r, s), Math.max(r, s)]
    return [nextR, nextS]
  }

  /** The same where neither matrix is symmetric: going and coming count each for itself. */
  #exchangeBoth(r: number, s: number): [number, number] {
    const n = this.#n
    const m = this.#movable
    const flow = this.#flow
    const apart = this.#apart
    const worth = this.#worth
    const change = this.#change
    const [da, db, daTo, dbTo] = [this.#da, this.#db, this.#daTo, this.#dbTo]
    for (let u = 0; u < m; u++) {
      da[u] = flow[u * n + r]! - flow[u * n + s]!
      db[u] = apart[u * n + s]! - apart[u * n + r]!
      daTo[u] = flow[r * n + u]! - flow[s * n + u]!
      dbTo[u] = apart[s * n + u]! - apart[r * n + u]!
    }
    for (let u = 0; u < m; u++) {
      const [by, byTo] = [da[u]!, daTo[u]!]
      if (by === 0 && byTo === 0) continue
      const row = u * m
      for (let v = 0; v < m; v++) worth[row + v]! += by * db[v]! + byTo * dbTo[v]!
    }
    this.#turn(r, s)
    for (let u = 0; u < this.#paying; u++) {
      const row = u * m
      for (let v = u + 1; v < m; v++)
        change[row + v]! -=
          (da[u]! - da[v]!) * (db[u]! - db[v]!) + (daTo[u]! - daTo[v]!) * (dbTo[u]! - dbTo[v]!)
    }
    for (let v = 0; v < m; v++) {
      if (v !== r) change[v < r ? v * m + r : r * m + v] = this.#changeOf(Math.min(r, v), Math.max(r, v))
      if (v !== s) change[v < s ? v * m + s : s * m + v] = this.#changeOf(Math.min(s, v), Math.max(s, v))
    }
    return this.#first()
  }
}
