import type { Links } from './links'
import type { Places, Placing } from './placing'

/** Up to so many exchanges are all tried at the end of a cooling. */
const ALL_TRIED = 16_384

/**
 * Simulated annealing (Kirkpatrick, Gelatt and Vecchi, Science 220 (1983) 671-680) over lists of pairs: a trial costs what
 * the two items touched are paired with, whatever the number of places. A trial puts an item into another place and
 * whatever was there into its own.
 */
export class Annealer {
  readonly #problem: Placing
  readonly #links: Links
  readonly #random: () => number
  readonly #movable: Int32Array
  /** The places of what may move, and those nobody is in. */
  readonly #open: Int32Array
  /** Which item is in a place; -1 for none. */
  readonly #inPlace: Int32Array
  readonly at: Places
  /** Of {@link at}, relative to where {@link load} began. */
  gained = 0

  constructor(problem: Placing, links: Links, start: Places, random: () => number) {
    this.#problem = problem
    this.#links = links
    this.#random = random
    this.at = start.slice()
    const taken = new Set(start)
    const movable: number[] = []
    const open: number[] = []
    for (let u = 0; u < problem.items; u++)
      if (!problem.isFixed[u]) {
        movable.push(u)
        open.push(start[u]!)
      }
    for (let p = 0; p < problem.places; p++) if (!taken.has(p)) open.push(p)
    this.#movable = Int32Array.from(movable)
    this.#open = Int32Array.from(open)
    this.#inPlace = new Int32Array(problem.places)
    this.load(start)
  }

  /** Whether there is anything to try. */
  get canMove(): boolean {
    return this.#movable.length > 0 && this.#open.length > 1
  }

  load(places: Places): void {
    this.at.set(places)
    this.#inPlace.fill(-1)
    for (let u = 0; u < places.length; u++) this.#inPlace[places[u]!] = u
    this.gained = 0
  }

  /** What may move is thrown about. */
  shuffle(): void {
    const { at } = this
    const open = this.#open.slice()
    for (let n = open.length - 1; n > 0; n--) {
      const k = Math.floor(this.#random() * (n + 1))
      const one = open[n]!
      open[n] = open[k]!
      open[k] = one
    }
    const places = at.slice()
    for (let n = 0; n < this.#movable.length; n++) places[this.#movable[n]!] = open[n]!
    this.load(places)
  }

  /** So many exchanges, whatever they cost. */
  throwAbout(times: number): void {
    for (let n = 0; n < times; n++) {
      const u = this.#someItem()
      const place = this.#somePlace()
      if (place !== this.at[u]) this.#exchange(u, place)
    }
  }

  /** What the pairs of item u cost were it in a place; a pair with `but` is left out. */
  #costAt(u: number, place: number, but: number): number {
    const { places, cost, time, late, alone } = this.#problem
    const { begins, other, weight, within, isFrom } = this.#links
    const { at } = this
    let sum = alone === null ? 0 : alone[u * places + place]!
    for (let n = begins[u]!, end = begins[u + 1]!; n < end; n++) {
      const v = other[n]!
      if (v === but) continue
      const there = v === u ? place : at[v]!
      const edge = isFrom[n] === 1 ? place * places + there : there * places + place
      sum += weight[n]! * cost[edge]!
      if (time !== null && time[edge]! > within[n]!) sum += late
    }
    return sum
  }

  /** What the pairs between two items cost with them in two places. */
  #between(u: number, v: number, atU: number, atV: number): number {
    const { places, cost, time, late } = this.#problem
    const { begins, other, weight, within, isFrom } = this.#links
    let sum = 0
    for (let n = begins[u]!, end = begins[u + 1]!; n < end; n++) {
      if (other[n] !== v) continue
      const edge = isFrom[n] === 1 ? atU * places + atV : atV * places + atU
      sum += weight[n]! * cost[edge]!
      if (time !== null && time[edge]! > within[n]!) sum += late
    }
    return sum
  }

  /** How much dearer it is with item u in a place, and what is there where u was. */
  #change(u: number, place: number): number {
    const from = this.at[u]!
    const v = this.#inPlace[place]!
    let sum = this.#costAt(u, place, v) - this.#costAt(u, from, v)
    // Two that change places are as far apart afterwards as before.
    if (v >= 0)
      sum +=
        this.#costAt(v, from, u) -
        this.#costAt(v, place, u) +
        this.#between(u, v, place, from) -
        this.#between(u, v, from, place)
    return sum
  }

  #exchange(u: number, place: number): void {
    const from = this.at[u]!
    const v = this.#inPlace[place]!
    this.at[u] = place
    this.#inPlace[place] = u
    this.#inPlace[from] = v
    if (v >= 0) this.at[v] = from
  }

  /** How much a trial changes as a rule: the mean of those that make it dearer, over so many; 0 where none does. */
  #usualRise(trials: number): number {
    let [sum, count] = [0, 0]
    for (let n = 0; n < trials; n++) {
      const rise = this.#change(this.#someItem(), this.#somePlace())
      if (rise > 0) {
        sum += rise
        count++
      }
    }
    return count === 0 ? 0 : sum / count
  }

  #someItem = (): number => this.#movable[Math.floor(this.#random() * this.#movable.length)]!
  #somePlace = (): number => this.#open[Math.floor(this.#random() * this.#open.length)]!

  /**
   * One cooling from `hot` to `cold` times the usual rise, over so many trials, then downhill to the end on small ones. The cheapest
   * placing seen is kept in {@link at}. Returns what was gained on the way, 0 or less.
   */
  run(trials: number, hot: number, cold: number): number {
    if (!this.canMove) return 0
    const rise = this.#usualRise(200)
    if (rise === 0) return this.descend()
    const cooling = (cold / hot) ** (1 / Math.max(1, trials))
    let heat = hot * rise
    let now = 0
    let best = 0
    const kept = this.at.slice()
    let isKept = true
    for (let n = 0; n < trials; n++) {
      heat *= cooling
      const u = this.#someItem()
      const place = this.#somePlace()
      if (place === this.at[u]) continue
      const more = this.#change(u, place)
      if (more > 0 && this.#random() >= Math.exp(-more / heat)) continue
      if (more > 0 && isKept && now < best) {
        kept.set(this.at)
        best = now
      }
      this.#exchange(u, place)
      now += more
      isKept = now < best
    }
    if (now < best) {
      kept.set(this.at)
      best = now
    }
    this.load(kept)
    // All exchanges of a large one cost more than another cooling finds.
    const isSmall = this.#movable.length * this.#open.length <= ALL_TRIED
    this.gained = best + (isSmall ? this.descend() : 0)
    return this.gained
  }

  /** Exchanges for as long as one makes it cheaper; returns what that gained, 0 or less. */
  descend(): number {
    let sum = 0
    for (let goes = true; goes;) {
      goes = false
      for (const u of this.#movable)
        for (const place of this.#open) {
          if (place === this.at[u]) continue
          const more = this.#change(u, place)
          if (more >= -1e-9) continue
          this.#exchange(u, place)
          sum += more
          goes = true
        }
    }
    return sum
  }
}
