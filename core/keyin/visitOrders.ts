import type { Job, Weights } from './visitWeights'
import { choicesOf, herePresses, type Box, type Choices } from './ways'

/** Which jobs come in which order, each with what it is copied from (-1: none of them). */
export type Order = readonly { readonly n: number; readonly parent: number }[]

/** What is copied from comes first; else by bank: of those that can come, always the lowest. */
export function ordered(jobs: readonly Job[], parent: (n: number) => number): Order {
  const children: number[][] = jobs.map(() => [])
  const heap = new Lowest()
  jobs.forEach((_, n) => (parent(n) < 0 ? heap.put(n) : children[parent(n)]!.push(n)))
  const order: { n: number; parent: number }[] = []
  for (let n = heap.take(); n !== null; n = heap.take()) {
    order.push({ n, parent: parent(n) })
    for (const child of children[n]!) heap.put(child)
  }
  return order
}

/** Numbers of which the lowest is taken. */
class Lowest {
  private readonly all: number[] = []

  put(value: number): void {
    const { all } = this
    let at = all.push(value) - 1
    for (let up = (at - 1) >> 1; at > 0 && all[up]! > value; up = (at - 1) >> 1) {
      all[at] = all[up]!
      at = up
    }
    all[at] = value
  }

  take(): number | null {
    const { all } = this
    const least = all[0]
    if (least === undefined) return null
    const last = all.pop()!
    if (all.length === 0) return least
    let at = 0
    for (;;) {
      let down = 2 * at + 1
      if (down >= all.length) break
      if (down + 1 < all.length && all[down + 1]! < all[down]!) down++
      if (all[down]! >= last) break
      all[at] = all[down]!
      at = down
    }
    all[at] = last
    return least
  }
}

/** By bank: each from nothing, each from the one before it, each from the cheapest before it. */
export function plainOrders(
  box: Box,
  jobs: readonly Job[],
  { weights, roots, bases }: Weights,
  start: Choices,
): Order[] {
  const { copy, toSwitch } = box.shape.keying
  const size = jobs.length
  const scratch = jobs.map((_, n) => ({ n, parent: -1 }))
  if (!copy) return [scratch]
  const previous = jobs.map((_, n) => ({ n, parent: n - 1 }))
  // Where what is copied is opened first, the way there from the bank one is in counts as well.
  const opensSource =
    copy.way === 'to' && toSwitch.some((move) => move.do === 'choose' && move.from === 'here')
  const at = jobs.map(({ place }) => choicesOf(place))
  let here = start
  const earlier = jobs.map((_, n) => {
    const way = (to: Choices) => (opensSource ? herePresses(box, toSwitch, here, to) : 0)
    const base = bases[n]!
    const root = base.kind === 'copy' ? choicesOf(base.from) : at[n]!
    let [least, parent] = [roots[n]! + way(root), -1]
    for (let u = n - 1; u >= 0; u--) {
      const presses = weights[n * size + u]!
      if (presses >= least) continue
      const all = presses + way(at[u]!)
      if (all < least) [least, parent] = [all, u]
    }
    here = at[n]!
    return { n, parent }
  })
  return [scratch, previous, earlier]
}
