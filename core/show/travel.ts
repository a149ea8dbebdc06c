import { own } from '../base/own'
import { perTables } from '../rig/perTables'
import { byIndex, FLOOR_TABLES, inOrder, type Rig } from '../rig/rig'
import { aheadMs, partMs, playedParts, type PlayedPart } from '../rig/showOrder'
import type { Controller } from '../rig/table/controller'
import type { Show } from '../rig/table/show'
import type { Sound, SoundId } from '../rig/table/sound'
import { between, type Between } from '../sound/between'
import { sendingOf } from '../sound/sending'
import { restPoint } from './foot'
import { footMoves } from './footMoves'
import { playerOf, routeTo, type Route, type Stand } from './route'

/** Why a part cannot be played as it stands. */
export type Unplayed =
  /** It names no sound. */
  | 'noSound'
  /** No switch plays its sound. */
  | 'noSwitch'
  /** One does, and no switch leads there from where the foot is. */
  | 'noWay'

/** Whether what has to be done is done in the time there is. */
export type InTime =
  | 'start'
  | 'fits'
  /** Longer than the rest before it. */
  | 'tight'
  /** Longer than the whole part before, whatever the rest. */
  | 'never'
  /** Nobody said how long the rest is. */
  | 'unknown'
  /** The sound is there already. */
  | 'stays'

/** How a part is come to from the one before. */
export interface PartWay {
  readonly played: PlayedPart
  readonly why: Unplayed | null
  readonly route: Route | null
  /** From the foot setting out until every device is ready, in ms; null where it cannot be come to. */
  readonly readyMs: number | null
  /** The rest there is before it, in ms; null where that is not known. */
  readonly aheadMs: number | null
  readonly inTime: InTime
  /** What is heard and left over between the sound before and this one; null without one of them. */
  readonly between: Between | null
}

/** What a whole show costs. */
export interface ShowTravel {
  readonly mm: number
  readonly presses: number
  readonly banks: number
  readonly ms: number
  /** Parts that are not ready in time, for sure. */
  readonly tight: number
  readonly unplayed: number
  /** The time under way, weighted by how little there is: see {@link hurry}. */
  readonly cost: number
}

/** The controller a show is played on: the first. */
export const showController = (rig: Rig): Controller | null => inOrder(rig.controllers)[0] ?? null

/** Where the foot is before the show: at rest before the bank the controller wakes up in. */
export function standAtStart(rig: Rig, controller: Controller): Stand | null {
  const first = byIndex(rig.banks).find(({ controllerId }) => controllerId === controller.id)
  const bankId = own(rig.banks, controller.home ?? '')?.id ?? first?.id
  return bankId ? { bankId, layer: 'base', point: restPoint(controller, playerOf(rig)) } : null
}

/**
 * How much a step counts: 1 with two seconds for it or nothing known, more the less time there is, a quarter with eight
 * seconds and more (ours).
 */
export const hurry = (ahead: number | null): number =>
  ahead === null ? 1 : Math.min(8, Math.max(0.25, 2000 / Math.max(1, ahead)))

/** A part that is late costs as much as so many ms under way. */
export const LATE_COST = 20_000
const UNPLAYED_COST = 1_000_000

/** How every part of a show is come to, in playing order. A part that cannot be played leaves the foot where it was. */
export function partWays(rig: Rig, show: Show): PartWay[] {
  const controller = showController(rig)
  let stand = controller && standAtStart(rig, controller)
  let before: Sound | null = null
  let beforeMs: number | null = null
  let next: { readonly [switchId: string]: number } = {}
  return playedParts(rig, show).map((played, n): PartWay => {
    const sound: Sound | null = own(rig.sounds, played.soundId ?? '') ?? null
    const ahead = n === 0 ? null : aheadMs(played.part, played.song, played.isFirstOfSong)
    const lastMs = beforeMs
    beforeMs = partMs(played.part, played.song)
    const base = { played, aheadMs: ahead, between: null }
    if (!sound) return { ...base, why: 'noSound', route: null, readyMs: null, inTime: 'unknown' }
    const change = before && before !== sound ? between(rig, before, sound, controller ?? undefined) : null
    if (before === sound) return { ...base, why: null, route: null, readyMs: 0, inTime: 'stays' }
    const route = controller && stand ? routeTo(rig, controller, stand, sound.id, played.song.id, next) : null
    if (!controller || !route) {
      return {
        ...base,
        why: unreached(rig, controller, sound.id),
        route: null,
        readyMs: null,
        inTime: 'unknown',
      }
    }
    const readyMs = route.ms + sendingOf(rig, sound, controller).ready / 1000
    const last = route.moves.at(-1)!
    if (route.banks > 0 && controller.onBank === 'restarts') next = {}
    if (last.position !== null && last.footswitch !== null)
      next = { ...next, [last.footswitch.id]: (last.position.at + 1) % last.position.of }
    stand = { ...last.to, point: last.point }
    const isFirst = before === null
    before = sound
    const inTime: InTime = isFirst
      ? 'start'
      : ahead !== null
        ? readyMs > ahead
          ? 'tight'
          : 'fits'
        : lastMs !== null && readyMs > lastMs
          ? 'never'
          : 'unknown'
    return { ...base, why: null, route, readyMs, inTime, between: change }
  })
}

const known = perTables(FLOOR_TABLES, () => new Map<string, readonly PartWay[]>())

/** {@link partWays}, worked out once for each state of the rig. */
export function waysOfShow(rig: Rig, show: Show): readonly PartWay[] {
  const cache = known(rig)
  let ways = cache.get(show.id)
  if (!ways) cache.set(show.id, (ways = partWays(rig, show)))
  return ways
}

export function travelOf(ways: readonly PartWay[]): ShowTravel {
  let [mm, presses, banks, ms, tight, unplayed, cost] = [0, 0, 0, 0, 0, 0, 0]
  for (const { route, why, inTime, aheadMs: ahead } of ways) {
    if (why !== null) {
      unplayed++
      cost += UNPLAYED_COST
    }
    if (!route) continue
    const isLate = inTime === 'tight' || inTime === 'never'
    mm += route.mm
    presses += route.presses
    banks += route.banks
    ms += route.ms
    tight += Number(isLate)
    cost += hurry(inTime === 'start' ? Infinity : ahead) * route.ms + (isLate ? LATE_COST : 0)
  }
  return { mm, presses, banks, ms, tight, unplayed, cost }
}

/** Why there is no way to a sound: where a switch plays it, only the way is missing. */
export const unreached = (rig: Rig, controller: Controller | null, soundId: SoundId): Unplayed =>
  controller && (footMoves(rig, controller.id).playing.get(soundId) ?? []).length > 0 ? 'noWay' : 'noSwitch'
