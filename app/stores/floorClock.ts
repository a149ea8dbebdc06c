/** How fast the floor's time goes: 1 as in life, 0 while it stands still. */
export const SPEEDS = [1, 1 / 2, 1 / 5, 1 / 10, 1 / 20, 1 / 50] as const

/**
 * The floor's time against the page's, both in µs. At any speed it is whole microseconds, and it never goes back: what was
 * done at a moment stays before what is done later.
 */
export class FloorClock {
  #rate = 1
  #floor: number
  #page: number

  constructor(page: number, floor = Math.round(page)) {
    this.#page = page
    this.#floor = floor
  }

  get rate(): number {
    return this.#rate
  }

  /** The floor's time at a moment of the page's. */
  at(page: number): number {
    // A millionth more: a tenth of thirty is a little less than three to a computer.
    return Math.floor(this.#floor + Math.max(0, page - this.#page) * this.#rate + 1e-6)
  }

  /** When on the page's clock the floor comes to a moment of its own; null when it stands still before that. */
  pageTimeOf(floor: number): number | null {
    if (floor <= this.#floor) return this.#page
    return this.#rate === 0 ? null : this.#page + (floor - this.#floor) / this.#rate
  }

  /** The same at any moment, past ones too, as if the floor had always gone at this speed; null while it stands still. */
  pageTimeAtThisSpeed(floor: number): number | null {
    return this.#rate === 0 ? null : this.#page + (floor - this.#floor) / this.#rate
  }

  setRate(rate: number, page: number): void {
    this.#floor = this.at(page)
    this.#page = page
    this.#rate = rate
  }

  /** Goes on to a later moment of the floor's at once. */
  skipTo(floor: number, page: number): void {
    this.#floor = Math.max(this.at(page), floor)
    this.#page = page
  }
}
