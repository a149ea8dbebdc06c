import type { Due } from './floor'

type WithoutOrder<One> = One extends unknown ? Omit<One, 'order'> : never

/** What is due on a floor, in order; changed in place. It also numbers what is begun, since the order of equals is that of their numbers. */
export class DueQueue {
  readonly #due: Due[]
  /** Those before this one are done. */
  #done = 0
  #count: number

  /** `count`: the number the next thing gets. */
  constructor(due: readonly Due[], count: number) {
    this.#due = [...due]
    this.#count = count
  }

  get count(): number {
    return this.#count
  }

  /** What is due next; undefined when nothing is. */
  get first(): Due | undefined {
    return this.#due[this.#done]
  }

  /** All that is still due. */
  left(): readonly Due[] {
    return this.#done === 0 ? this.#due : this.#due.slice(this.#done)
  }

  /** The next number. */
  number(): number {
    return this.#count++
  }

  /** Takes out what is due next, if that is up to a moment, in µs. */
  take(to: number): Due | null {
    const next = this.#due[this.#done]
    if (!next || next.at > to) return null
    this.#done++
    return next
  }

  /** When the next thing of another kind is due, in µs; null when nothing is. */
  nextBut(kind: Due['kind']): number | null {
    for (let n = this.#done; n < this.#due.length; n++)
      if (this.#due[n]!.kind !== kind) return this.#due[n]!.at
    return null
  }

  put(due: WithoutOrder<Due>): void {
    this.insert({ ...due, order: this.#count++ } as Due)
  }

  /** Behind all that is due before it or with it. */
  insert(one: Due): void {
    // Messages of a full wire come back here one by one, before thousands that wait behind them.
    if (this.#done > 0 && (this.#due[this.#done]?.at ?? Infinity) > one.at) {
      this.#due[--this.#done] = one
      return
    }
    let n = this.#due.length
    while (n > this.#done && this.#due[n - 1]!.at > one.at) n--
    if (n === this.#due.length) this.#due.push(one)
    else this.#due.splice(n, 0, one)
  }
}
