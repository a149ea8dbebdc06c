import type { Content } from './content'
import { capacityOf, emptyAt, type Place } from './keyPlaces'
import { AmendPresses } from './presses'
import { choicePresses, choicesOf, fixedPresses, type Box, type Choices } from './ways'

/** A place that is to hold something else than it does. */
export interface Job {
  readonly place: Place
  readonly wanted: Content
  /** What it holds; null where that is not known. */
  readonly was: Content | null
}

/** What a place is made from: what stands there, nothing, or a copy of another. */
export type Base =
  | { readonly kind: 'amend' }
  | { readonly kind: 'clear' }
  | { readonly kind: 'copy'; readonly from: Place; readonly content: Content }

/** What making each place costs in presses, by what it is made from. */
export interface Weights {
  /** `weights[v * size + u]`: presses that make switch v of a copy of u, the way to open it from anywhere left out. */
  readonly weights: Int32Array
  /** The same from what is there, from nothing, or from a place that stays as it is. */
  readonly roots: Int32Array
  readonly bases: readonly Base[]
}

/** Presses that save after each place. */
export const saveEach = ({ shape: { keying } }: Box): number =>
  keying.save.when === 'each' ? keying.save.keys.length : 0

/** Contents a route can speak of: those wanted, those of other places, those there, and nothing. */
export function presser(
  box: Box,
  jobs: readonly Job[],
  others: readonly (readonly [Place, Content])[],
): AmendPresses {
  const capacity = (place: Place) => capacityOf(place, box.shape.controller)
  const empty = (place: Place) => ({ content: emptyAt(box.shape, place), capacity: capacity(place) })
  return new AmendPresses(box.shape, [
    ...jobs.map(({ place, wanted }) => ({ content: wanted, capacity: capacity(place) })),
    ...others.map(([place, content]) => ({ content, capacity: capacity(place) })),
    ...jobs.map(({ place, was }) => (was ? { content: was, capacity: capacity(place) } : empty(place))),
    ...(jobs[0] ? [empty(jobs[0].place)] : []),
  ])
}

/** A place made by itself, of what it holds or of nothing. */
export function alone(
  box: Box,
  jobs: readonly Job[],
  others: number,
  amend: AmendPresses,
  n: number,
): { base: Base; presses: number } {
  const [was, empty] = [jobs.length + others + n, 2 * jobs.length + others]
  const emptied = box.shape.keying.clear.length + amend.one(empty, n)
  const amended = jobs[n]!.was === null ? Infinity : amend.one(was, n)
  return amended <= emptied
    ? { base: { kind: 'amend' }, presses: amended }
    : { base: { kind: 'clear' }, presses: emptied }
}

/** `jobs` are switches; `others` hold what they should and can be copied from. */
export function weightsOf(
  box: Box,
  jobs: readonly Job[],
  others: readonly (readonly [Place, Content])[],
): Weights {
  const { keying } = box.shape
  const size = jobs.length
  const weights = new Int32Array(size * size)
  const roots = new Int32Array(size)
  const bases: Base[] = []
  const sources = others.filter(([{ kind }]) => kind === 'switch')
  const amend = presser(box, jobs, sources)
  const save = saveEach(box)
  const places = [...jobs.map(({ place }) => choicesOf(place)), ...sources.map(([place]) => choicesOf(place))]
  const into = new Int32Array(places.length)
  const copying = keying.copy ? new CopyPresses(box, keying.copy, places) : null
  const copied = new Int32Array(places.length)
  for (let v = 0; v < size; v++) {
    let { base, presses } = alone(box, jobs, sources.length, amend, v)
    presses += fixedPresses(box, keying.toSwitch, places[v]!)
    if (copying) {
      amend.into(v, into)
      copying.into(v, copied)
      const row = v * size
      for (let u = 0; u < size; u++) weights[row + u] = copied[u]! + into[u]! + save
      weights[row + v] = 0
      for (let s = 0; s < sources.length; s++) {
        const all = copied[size + s]! + into[size + s]!
        if (all < presses) {
          presses = all
          base = { kind: 'copy', from: sources[s]![0], content: sources[s]![1] }
        }
      }
    }
    roots[v] = presses + save
    bases.push(base)
  }
  return { weights, roots, bases }
}

/** Presses that make a copy of one switch of another, the way to what is opened first with what of it is the same from anywhere. */
class CopyPresses {
  /** For each choice on the way, what each place chooses there, and the presses from each such to each. */
  private readonly choices: {
    readonly of: Int32Array
    readonly size: number
    readonly presses: Int32Array
  }[] = []
  private readonly opened: Int32Array
  private readonly always: number

  constructor(
    box: Box,
    private readonly copy: NonNullable<Box['shape']['keying']['copy']>,
    places: readonly Choices[],
  ) {
    this.opened = Int32Array.from(places, (one) => fixedPresses(box, box.shape.keying.toSwitch, one))
    this.always = copy.keys.length + copy.choose.filter((move) => move.do === 'press').length
    for (const move of copy.choose) {
      if (move.do === 'press') continue
      const { what } = move
      const used = [...new Set(places.map((one) => one[what]))]
      const number = new Map(used.map((value, n) => [value, n]))
      const presses = new Int32Array(used.length * used.length)
      used.forEach((from, a) =>
        used.forEach((to, b) => {
          presses[a * used.length + b] = choicePresses(box, move, move.from === 'start' ? 0 : from, to)
        }),
      )
      const of = Int32Array.from(places, (one) => number.get(one[what])!)
      this.choices.push({ of, size: used.length, presses })
    }
  }

  /** Presses of a copy of every place made to be the one numbered `to`, put to `presses`. */
  into(to: number, presses: Int32Array): void {
    const { opened, choices, copy, always } = this
    const isFrom = copy.way === 'from'
    for (let u = 0; u < presses.length; u++) presses[u] = always + (isFrom ? opened[to]! : opened[u]!)
    for (const { of, size, presses: table } of choices) {
      const it = of[to]!
      if (isFrom) for (let u = 0; u < presses.length; u++) presses[u]! += table[it * size + of[u]!]!
      else for (let u = 0; u < presses.length; u++) presses[u]! += table[of[u]! * size + it]!
    }
  }
}
