import type { Placing } from './placing'

/** The pairs of each item as one list after the other: those of item u are from `begins[u]` up to `begins[u + 1]`. */
export interface Links {
  readonly begins: Int32Array
  readonly other: Int32Array
  readonly weight: Float64Array
  readonly within: Float64Array
  /** 1 where the item is the one that is left, 0 where it is the one come to. */
  readonly isFrom: Uint8Array
}

/** Pairs of an item with itself stand once, as left. */
export function linksOf({ items, pairs }: Placing): Links {
  const begins = new Int32Array(items + 1)
  for (const { from, to } of pairs) {
    begins[from + 1]!++
    if (to !== from) begins[to + 1]!++
  }
  for (let u = 0; u < items; u++) begins[u + 1]! += begins[u]!
  const count = begins[items]!
  const next = begins.slice()
  const other = new Int32Array(count)
  const weight = new Float64Array(count)
  const within = new Float64Array(count)
  const isFrom = new Uint8Array(count)
  const put = (item: number, one: number, isLeft: 0 | 1, pair: Placing['pairs'][number]) => {
    const at = next[item]!++
    other[at] = one
    weight[at] = pair.weight
    within[at] = pair.within
    isFrom[at] = isLeft
  }
  for (const pair of pairs) {
    put(pair.from, pair.to, 1, pair)
    if (pair.to !== pair.from) put(pair.to, pair.from, 0, pair)
  }
  return { begins, other, weight, within, isFrom }
}
