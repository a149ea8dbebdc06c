import { own } from '#core/base'
import {
  perTables,
  byIndex,
  FLOOR_TABLES,
  inOrder,
  type Rig,
  aheadMs,
  partMs,
  playedParts,
  type PlayedPart,
  type Controller,
  type Show,
  type Sound,
  type SoundId,
} from '#core/rig'
import { between, type Between, sendingOf } from '#core/sound'
import { restPoint } from './foot'
import { footMoves } from './footMoves'
import { playerOf, routeOnward, routeTo, type FootRoute, type Stand } from './footWay'

/** Why a part cannot be played as it stands. */
export type Unplayed =
  /** It names no sound. */
  | 'noSound'
  /** No switch plays its sound. */
  | 'noSwitch'
  /** No switch goes to the next part. */
  | 'noStep'
  /** One would do, and no switch leads there from where the foot is. */
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
  readonly route: FootRoute | null
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
const hurry = (ahead: number | null): number =>
  ahead === null ? 1 : Math.min(8, Math.max(0.25, 2000 / Math.max(1, ahead)))

/** A part that is late costs as much as so many ms under way. */
export const LATE_COST = 20_000
const UNPLAYED_COST = 1_000_000

/** How much time there is for a part: the rest before it, how long the part before lasts; null where nobody said. */
export interface Allowed {
  readonly aheadMs: number | null
  readonly lastMs: number | null
  /** Nothing was played before. */
  readonly isFirst: boolean
}

/** What the time until a part is ready comes to. */
export function inTimeOf(readyMs: number, { aheadMs: ahead, lastMs, isFirst }: Allowed): InTime {
  if (isFirst) return 'start'
  if (ahead !== null) return readyMs > ahead ? 'tight' : 'fits'
  return lastMs !== null && readyMs > lastMs ? 'never' : 'unknown'
}

/** The way to a part as the show is stepped on: to the switch of its sound, or to the one that goes to the next part. */
export const wayTo = (
  rig: Rig,
  { stepsOn }: Show,
  controller: Controller,
  from: Stand,
  { soundId, song }: PlayedPart,
  next: { readonly [switchId: string]: number },
): FootRoute | null =>
  stepsOn === 'nextPart'
    ? routeOnward(rig, controller, from)
    : soundId === null
      ? null
      : routeTo(rig, controller, from, soundId, song.id, next)

/** Why there is none: where a switch would do it, only the way is missing. */
export function unreached(
  rig: Rig,
  { stepsOn }: Show,
  controller: Controller | null,
  soundId: SoundId,
): Unplayed {
  const moves = controller && footMoves(rig, controller.id)
  if (stepsOn === 'nextPart') return moves && moves.onward.length > 0 ? 'noWay' : 'noStep'
  return (moves?.playing.get(soundId) ?? []).length > 0 ? 'noWay' : 'noSwitch'
}

/** How every part of a show is come to, in playing order. A part that cannot be come to leaves the foot where it was. */
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
    // One that goes on part by part is stepped on for every part, whatever it sounds like.
    if (before !== null && before === sound && show.stepsOn === 'sounds')
      return { ...base, why: null, route: null, readyMs: 0, inTime: 'stays' }
    const route = controller && stand ? wayTo(rig, show, controller, stand, played, next) : null
    const last = route?.moves.at(-1)
    if (route && last) {
      if (route.banks > 0 && controller?.onBank === 'restarts') next = {}
      if (last.position !== null && last.footswitch !== null)
        next = { ...next, [last.footswitch.id]: (last.position.at + 1) % last.position.of }
      stand = { ...last.to, point: last.point }
    }
    if (!sound) return { ...base, why: 'noSound', route, readyMs: null, inTime: 'unknown' }
    if (!controller || !route) {
      const why = unreached(rig, show, controller, sound.id)
      return { ...base, why, route: null, readyMs: null, inTime: 'unknown' }
    }
    const change = before && before !== sound ? between(rig, before, sound, controller) : null
    const readyMs = route.ms + sendingOf(rig, sound, controller).ready / 1000
    const inTime = inTimeOf(readyMs, { aheadMs: ahead, lastMs, isFirst: before === null })
    before = sound
    return { ...base, why: null, route, readyMs, inTime, between: change }
  })
}

const known = perTables(FLOOR_TABLES, () => new Map<string, readonly PartWay[]>())

/** {@link partWays}, worked out once for each state of the rig. */
export function waysOfShow(rig: Rig, show: Show): readonly PartWay[] {
  const cache = known(rig)
  const key = `${show.id} ${show.stepsOn}`
  let ways = cache.get(key)
  if (!ways) cache.set(key, (ways = partWays(rig, show)))
  return ways
}

/** How much more a change of sounds counts than another, 1 and up. */
export type Care = (from: SoundId, to: SoundId) => number

export const EVEN: Care = () => 1

/** How much each part's time under way counts: by how little there is, and by the care its change asks for. */
export function weightsOf(ways: readonly PartWay[], care: Care): number[] {
  let before: SoundId | null = null
  return ways.map(({ played: { soundId }, why, inTime, aheadMs: ahead }) => {
    const asked = before !== null && soundId !== null && before !== soundId ? care(before, soundId) : 1
    if (why === null) before = soundId
    return asked * hurry(inTime === 'start' ? Infinity : ahead)
  })
}

/** All the ways of a show together, in mm and ms; `care`: how much each counts. */
export function travelOf(ways: readonly PartWay[], care: Care = EVEN): ShowTravel {
  const weights = weightsOf(ways, care)
  let [mm, presses, banks, ms, tight, unplayed, cost] = [0, 0, 0, 0, 0, 0, 0]
  for (const [n, { route, why, inTime }] of ways.entries()) {
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
    cost += weights[n]! * route.ms + (isLate ? LATE_COST : 0)
  }
  return { mm, presses, banks, ms, tight, unplayed, cost }
}
