import { own } from '#core/base'
import {
  perTables,
  type Rig,
  ABOUT_ID,
  type Controller,
  USUAL_PLAYER,
  type Player,
  type SongId,
  type SoundId,
} from '#core/rig'
import { COMPILE_KEYS } from '#core/switching'
import { distanceMm, stepMs, type Point } from './foot'
import { footMoves, pressesUntil, whereKey, type FootMove, type Where } from './footMoves'

/** A foot's way from where it is to a switch that plays something. */
export interface FootRoute {
  /** Quiet ones, and the one that plays last. */
  readonly moves: readonly FootMove[]
  /** Times the foot comes down in all, and for the last one: its positions may have to be gone through. */
  readonly presses: number
  readonly lastPresses: number
  readonly mm: number
  /** Until the controller does what the last one says, in ms. */
  readonly ms: number
  /** Times the bank changes. */
  readonly banks: number
}

/** Where a foot stands, and what it stands on. */
export interface Stand extends Where {
  readonly point: Point
}

/** The player of a rig; the usual one where none is said. */
export const playerOf = (rig: Rig): Player => own(rig.about, ABOUT_ID)?.player ?? USUAL_PLAYER

interface Node {
  readonly move: FootMove | null
  readonly before: Node | null
  readonly at: Stand
  readonly ms: number
  readonly mm: number
}

/** Quiet ways from one standing on, the nearest first: every bank and layer by every switch that leads there. */
function quietWays(rig: Rig, controller: Controller, from: Stand): readonly Node[] {
  const { from: moves } = footMoves(rig, controller.id)
  const player = playerOf(rig)
  const done: Node[] = []
  const settled = new Set<string>()
  const open: Node[] = [{ move: null, before: null, at: from, ms: 0, mm: 0 }]
  while (open.length > 0) {
    let least = 0
    for (let n = 1; n < open.length; n++) if (open[n]!.ms < open[least]!.ms) least = n
    const [node] = open.splice(least, 1) as [Node]
    const key = standKey(node.at)
    if (settled.has(key)) continue
    settled.add(key)
    done.push(node)
    for (const move of moves.get(whereKey(node.at)) ?? []) {
      const at: Stand = { ...move.to, point: move.point }
      if (!move.isQuiet || move.position !== null || settled.has(standKey(at))) continue
      const ms = node.ms + stepMs(controller, player, node.at.point, move.point) + move.takesMs
      open.push({ move, before: node, at, ms, mm: node.mm + distanceMm(node.at.point, move.point) })
    }
  }
  return done
}

const standKey = (at: Stand): string => `${whereKey(at)}/${at.point.x}/${at.point.y}`

/** Ways worked out once for each standing, as long as nothing they hang on changes. */
const known = perTables(
  [...COMPILE_KEYS, 'switches', 'banks', 'about', 'controllers'],
  () => new Map<string, readonly Node[]>(),
)

export function waysFrom(rig: Rig, controller: Controller, from: Stand): readonly Node[] {
  const cache = known(rig)
  const key = `${controller.id}/${standKey(from)}`
  let ways = cache.get(key)
  if (!ways) cache.set(key, (ways = quietWays(rig, controller, from)))
  return ways
}

/**
 * The way to a sound that takes least time; null where no switch plays it, or none that can be come to. `next` is the
 * position the next press of a switch does, where that is not its first. A song is played in its own banks where they have
 * the sound, since those take up its tempo; else in a bank of no song, and in another song's only where nothing else has it.
 */
export function routeTo(
  rig: Rig,
  controller: Controller,
  from: Stand,
  soundId: SoundId,
  songId: SongId | null = null,
  next: { readonly [switchId: string]: number } = {},
): FootRoute | null {
  const targets = footMoves(rig, controller.id).playing.get(soundId) ?? []
  const ranked: FootMove[][] = [[], [], []]
  for (const move of targets) {
    const played = own(rig.banks, move.from.bankId)?.songId ?? null
    ranked[played === null ? 1 : played === songId ? 0 : 2]!.push(move)
  }
  for (const some of ranked) {
    const route = some.length === 0 ? null : shortest(rig, controller, from, some, next)
    if (route) return route
  }
  return null
}

/** The way to a sound that takes least time, in whatever song's bank its switch stands; null as {@link routeTo}. */
export const nearestTo = (
  rig: Rig,
  controller: Controller,
  from: Stand,
  soundId: SoundId,
  next: { readonly [switchId: string]: number },
): FootRoute | null =>
  shortest(rig, controller, from, footMoves(rig, controller.id).playing.get(soundId) ?? [], next)

/** The way to the switch that goes to the next part which takes least time; null where there is none. */
export function routeOnward(rig: Rig, controller: Controller, from: Stand): FootRoute | null {
  return shortest(rig, controller, from, footMoves(rig, controller.id).onward, {})
}

function shortest(
  rig: Rig,
  controller: Controller,
  from: Stand,
  targets: readonly FootMove[],
  next: { readonly [switchId: string]: number },
): FootRoute | null {
  const player = playerOf(rig)
  const byWhere = new Map<string, FootMove[]>()
  for (const move of targets) {
    const key = whereKey(move.from)
    const there = byWhere.get(key)
    if (there) there.push(move)
    else byWhere.set(key, [move])
  }
  let best: { node: Node; move: FootMove; presses: number; ms: number } | null = null
  for (const node of waysFrom(rig, controller, from)) {
    for (const move of byWhere.get(whereKey(node.at)) ?? []) {
      const presses = pressesUntil(move, next)
      const again =
        move.position === null ? 0 : (presses - 1) * stepMs(controller, player, move.point, move.point)
      const ms = node.ms + stepMs(controller, player, node.at.point, move.point) + move.takesMs + again
      if (best === null || ms < best.ms) best = { node, move, presses, ms }
    }
  }
  if (best === null) return null
  const moves = [best.move]
  for (let node: Node | null = best.node; node?.move; node = node.before) moves.unshift(node.move)
  const quiet = moves.slice(0, -1)
  return {
    moves,
    lastPresses: best.presses,
    presses: quiet.reduce((sum, { presses }) => sum + presses, 0) + best.presses,
    mm: best.node.mm + distanceMm(best.node.at.point, best.move.point),
    ms: best.ms,
    banks: moves.filter(({ from: a, to: b }) => a.bankId !== b.bankId).length,
  }
}
