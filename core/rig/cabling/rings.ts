import { own } from '#core/base'
import { CABLING, perTables } from '../perTables'
import type { Rig } from '../rig'
import { onward, waysNow, type Way } from './signal'

/** A round trip of messages: what goes round once goes round for ever. */
export interface Ring {
  readonly cables: readonly string[]
  /** The boxes it goes through, in order. */
  readonly boxes: readonly string[]
}

/** Beyond so many jacks in one tangle its shortest ring is looked for from one of them only. */
const TANGLE_MAX = 60

/**
 * Every tangle of cables in which messages go round, each shown by a shortest ring. Looked for among (box, jack a
 * message came in by), since both say where it goes on: a tangle is a strongly connected part of those (Tarjan, "Depth-first
 * search and linear graph algorithms", 1972), whatever order the cables were laid in.
 */
export const rings = perTables(CABLING, (rig: Rig): readonly Ring[] => {
  const ways = waysNow(rig)
  const boxAt = new Map(
    [...ways.of.values()].flatMap((all) => all.map(({ to, toJack }) => [toJack, to] as const)),
  )
  const next = (jack: string): readonly Way[] => onward(ways, boxAt.get(jack)!, jack)
  const found = new Map<string, Ring>()
  for (const tangle of tangles([...boxAt.keys()], (jack) => next(jack).map(({ toJack }) => toJack))) {
    const inside = new Set(tangle)
    const byOrder = tangle.toSorted()
    const shortest = byOrder
      .slice(0, tangle.length > TANGLE_MAX ? 1 : tangle.length)
      .map((start) => shortestFrom(start, inside, next))
      .reduce((best, one) => (one.length < best.length ? one : best))
    const cables = shortest.map(({ link }) => link.cable.id)
    // USB runs both ways: one ring, found once for each.
    found.set(cables.toSorted().join(' '), {
      cables,
      boxes: shortest.map(({ link, to }) => (link.to.end.id === to ? link.from.end.id : link.to.end.id)),
    })
  }
  return [...found.values()].sort((a, b) => lastLaid(rig, a) - lastLaid(rig, b))
})

const lastLaid = (rig: Rig, { cables }: Ring): number =>
  Math.max(...cables.map((id) => own(rig.cables, id)?.order ?? 0))

/** The strongly connected parts that hold a ring, without recursion: a chain may be a thousand boxes long. */
function tangles(all: readonly string[], next: (node: string) => readonly string[]): string[][] {
  const index = new Map<string, number>()
  const low = new Map<string, number>()
  const onStack = new Set<string>()
  const stack: string[] = []
  const parts: string[][] = []
  for (const root of all) {
    if (index.has(root)) continue
    const walk: { node: string; after: readonly string[]; n: number }[] = []
    const enter = (node: string) => {
      index.set(node, index.size)
      low.set(node, index.get(node)!)
      stack.push(node)
      onStack.add(node)
      walk.push({ node, after: next(node), n: 0 })
    }
    enter(root)
    while (walk.length > 0) {
      const here = walk.at(-1)!
      const to = here.after[here.n++]
      if (to === undefined) {
        walk.pop()
        const above = walk.at(-1)
        if (above) low.set(above.node, Math.min(low.get(above.node)!, low.get(here.node)!))
        if (low.get(here.node) === index.get(here.node)) {
          const part = stack.splice(stack.indexOf(here.node))
          for (const node of part) onStack.delete(node)
          if (part.length > 1 || here.after.includes(here.node)) parts.push(part)
        }
      } else if (!index.has(to)) enter(to)
      else if (onStack.has(to)) low.set(here.node, Math.min(low.get(here.node)!, index.get(to)!))
    }
  }
  return parts
}

/** The shortest way from a jack back to itself, breadth first. */
function shortestFrom(
  start: string,
  inside: ReadonlySet<string>,
  next: (jack: string) => readonly Way[],
): Way[] {
  const before = new Map<string, { from: string; way: Way }>()
  const queue = [start]
  for (let n = 0; n < queue.length; n++) {
    for (const way of next(queue[n]!)) {
      if (!inside.has(way.toJack) || before.has(way.toJack)) continue
      before.set(way.toJack, { from: queue[n]!, way })
      if (way.toJack === start) return backFrom(start, before)
      queue.push(way.toJack)
    }
  }
  throw new Error('a tangle without a ring')
}

function backFrom(start: string, before: ReadonlyMap<string, { from: string; way: Way }>): Way[] {
  const path: Way[] = []
  let at = start
  do {
    const step = before.get(at)!
    path.unshift(step.way)
    at = step.from
  } while (at !== start)
  return path
}
