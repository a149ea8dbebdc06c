/**
 * Items to be put in places, one in each, so that what is paid between pairs is least: the quadratic assignment problem
 * (Koopmans and Beckmann, Econometrica 25 (1957) 53-76) with more places than items, and pairs that hurry. Everything is counted from 0; matrices are rows by columns in one array.
 */
export interface Placing {
  readonly items: number
  /** At least as many as items. */
  readonly places: number
  /** What goes from one item to another; several lines may name the same two. */
  readonly pairs: readonly Pair[]
  /** What a weight of one costs from place to place; finite and not below 0. */
  readonly cost: Float64Array
  /** How long it takes from place to place; null where no pair hurries. */
  readonly time: Float64Array | null
  /** Paid once for a pair that takes longer than it may. */
  readonly late: number
  /** What an item pays alone in a place, items by places; null where nothing. */
  readonly alone: Float64Array | null
  /** Items that stay where they are, by item. */
  readonly isFixed: readonly boolean[]
}

export interface Pair {
  readonly from: number
  readonly to: number
  readonly weight: number
  /** The longest it may take; Infinity where there is no hurry. */
  readonly within: number
}

/** Which place each item is in. */
export type Places = Int32Array

/** A plain quadratic assignment problem: the sum over i, j of flow[i][j] * distance[p(i)][p(j)], both n by n. */
export function plainPlacing(n: number, flow: ArrayLike<number>, distance: ArrayLike<number>): Placing {
  if (flow.length !== n * n || distance.length !== n * n)
    throw new RangeError(
      `Two matrices of ${n} by ${n} are needed, not ${flow.length} and ${distance.length} numbers`,
    )
  const pairs: Pair[] = []
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      const weight = flow[i * n + j]!
      if (weight !== 0) pairs.push({ from: i, to: j, weight, within: Infinity })
    }
  return {
    items: n,
    places: n,
    pairs,
    cost: Float64Array.from(distance),
    time: null,
    late: 0,
    alone: null,
    isFixed: Array.from({ length: n }, () => false),
  }
}

/** What a placing costs, summed pair by pair. */
export function costOf(problem: Placing, at: Places): number {
  const { places, cost, time, late, alone, items } = problem
  let sum = 0
  if (alone !== null) for (let u = 0; u < items; u++) sum += alone[u * places + at[u]!]!
  for (const { from, to, weight, within } of problem.pairs) {
    const edge = at[from]! * places + at[to]!
    sum += weight * cost[edge]!
    if (time !== null && time[edge]! > within) sum += late
  }
  return sum
}

/** Whether every item is in a place of its own, and the fixed ones where `start` has them. */
export function isPlacing({ items, places, isFixed }: Placing, at: Places, start: Places): boolean {
  if (at.length !== items || new Set(at).size !== items) return false
  return at.every(
    (place, item) =>
      Number.isInteger(place) && place >= 0 && place < places && (!isFixed[item] || place === start[item]),
  )
}
