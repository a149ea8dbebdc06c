import type { Matrices } from './matrices'
import type { Tabu } from './tabu'

interface Kept {
  readonly at: Int32Array
  readonly cost: number
}

/** How many placings are kept, and how many tries without a better one before all begin anew. */
const SIZE = 12
const STALE = 12 * SIZE

/**
 * A few good placings, bred: what two of them agree on is kept, the rest taken from either by chance, and a short tabu
 * search makes it good (after Merz and Freisleben, IEEE Transactions on Evolutionary Computation 4 (2000) 337-352). On
 * small problems whose flows are few it finds what restarts alone do not.
 */
export class Breeder {
  readonly #tabu: Tabu
  readonly #open: readonly number[]
  readonly #random: () => number
  readonly #iterations: number
  #kept: Kept[] = []
  #stale = 0

  constructor({ n, isFixed }: Matrices, tabu: Tabu, random: () => number) {
    this.#tabu = tabu
    this.#random = random
    this.#open = Array.from({ length: n }, (_, u) => u).filter((u) => !isFixed[u])
    this.#iterations = 10 * n
  }

  /** One more placing, of all n items; `from` says where fixed ones are. */
  next(from: Int32Array): Kept {
    const full = this.#kept.length >= SIZE
    this.#tabu.load(full ? this.#child() : this.#shuffled(from))
    this.#tabu.run(this.#iterations)
    const born = { at: this.#tabu.best, cost: this.#tabu.bestCost }
    const isNew = !this.#kept.some(({ cost }) => cost === born.cost)
    const worst = this.#kept.reduce((at, { cost }, n) => (cost > this.#kept[at]!.cost ? n : at), 0)
    if (isNew && !full) this.#kept.push(born)
    else if (isNew && born.cost < this.#kept[worst]!.cost) {
      this.#kept[worst] = born
      this.#stale = 0
    } else if (++this.#stale > STALE) {
      this.#kept = []
      this.#stale = 0
    }
    return born
  }

  #some = (count: number): number => Math.floor(this.#random() * count)

  #shuffled(from: Int32Array): Int32Array {
    const at = from.slice()
    for (let n = this.#open.length - 1; n > 0; n--)
      exchange(at, this.#open[n]!, this.#open[this.#some(n + 1)]!)
    return at
  }

  #child(): Int32Array {
    const mother = this.#kept[this.#some(SIZE)]!.at
    const father = this.#kept[this.#some(SIZE)]!.at
    const at = mother.slice()
    const taken = new Set<number>()
    for (let u = 0; u < at.length; u++) if (mother[u] === father[u]) taken.add(at[u]!)
    const open = this.#open.filter((u) => mother[u] !== father[u])
    const later: number[] = []
    for (const u of open) {
      const [first, second] = this.#random() < 0.5 ? [mother[u]!, father[u]!] : [father[u]!, mother[u]!]
      const place = !taken.has(first) ? first : !taken.has(second) ? second : -1
      if (place < 0) later.push(u)
      else {
        at[u] = place
        taken.add(place)
      }
    }
    const free = open.map((u) => mother[u]!).filter((place) => !taken.has(place))
    for (const u of later) at[u] = free.splice(this.#some(free.length), 1)[0]!
    // Now and then something of neither: parents grow alike.
    if (open.length === 0 || this.#some(3) === 0)
      for (let k = 0; k < 4; k++)
        exchange(at, this.#open[this.#some(this.#open.length)]!, this.#open[this.#some(this.#open.length)]!)
    return at
  }
}

function exchange(at: Int32Array, u: number, v: number): void {
  const place = at[u]!
  at[u] = at[v]!
  at[v] = place
}
