import { own } from '../base/own'
import { perRow, perTables } from '../rig/perTables'
import { byIndex, FLOOR_TABLES, type Rig } from '../rig/rig'
import { playedParts, showOn, showPlace, showTarget } from '../rig/showOrder'
import { switchesHere } from '../rig/switchesHere'
import { actionLists, isProgrammed, LAYERS, type Footswitch, type SwitchId } from '../rig/table/switch'
import { expanded, lampSays } from '../switching/action'
import type { Claim } from '../switching/claim'
import { NOTHING_KNOWN } from '../switching/known'
import { claimDevice, isDark, lampTruth } from '../simulate/lampTruth'
import type { FloorState } from '../simulate/floor'
import { makeMove, makeMoves, movesAt, type Move } from './moves'
import {
  claimParts,
  closed,
  everyParts,
  floorOf,
  isStateful,
  leftValue,
  partOf,
  switchParts,
  type Part,
} from './parts'
import { fewestMoves, restingStart } from './search'

/** A lamp that can say the contrary of what is, with the fewest calm moves after which it does. */
export interface LampLie {
  readonly switchId: SwitchId
  readonly moves: readonly Move[]
  /** What it says then, and the first thing that speaks against it. */
  readonly isLit: boolean
  readonly claim: Claim
}

/** What is known of one lamp: it can lie, it cannot, or not all that can happen was looked at. */
export type LampVerdict =
  { readonly kind: 'lies'; readonly lie: LampLie } | { readonly kind: 'holds' } | { readonly kind: 'unknown' }

/** Whatever the lamps of a switch say of devices. */
export function claimsOfLamp(rig: Rig, footswitch: Footswitch): readonly Claim[] {
  return actionLists(footswitch)
    .filter(({ path }) => path[0] !== 'doublePress')
    .flatMap(({ actions }) => lampSays(rig, actions, NOTHING_KNOWN).flatMap(({ claims }) => claims))
}

/**
 * Whether the lamp of a switch can lie: exact for a foot that makes one calm move after the other from power-on, as long
 * as messages are what moves devices. A sound's lamp is looked at one claim at a time, since it lies as soon as one does.
 */
export const lampVerdict = perRow(FLOOR_TABLES, (rig, footswitch: Footswitch): LampVerdict =>
  searched(rig, footswitch, null),
)

/** The same as far as one part of the devices has a say: what a change elsewhere leaves as it was is not looked at again. */
export const lampVerdictOn = (rig: Rig, footswitch: Footswitch, part: Part): LampVerdict =>
  searched(rig, footswitch, part)

function searched(rig: Rig, footswitch: Footswitch, only: Part | null): LampVerdict {
  if (isDark(footswitch)) return { kind: 'holds' }
  const claims = claimsOfLamp(rig, footswitch)
  const isShown = footswitch.lamps.some(({ light }) => light !== 'follow') || footswitch.group !== ''
  const shown = isShown ? [`n/${footswitch.id}`, `d/${footswitch.id}`] : []
  const tuner = does(rig, footswitch, 'tuner') ? ['T'] : []
  const isSound = does(rig, footswitch, 'recallSound')
  // A sound's lamp lies as soon as one of its claims does; with more in its list all must be looked at together.
  const sounds = new Set<string>(
    actionLists(footswitch).flatMap(({ actions }) =>
      expanded(rig, actions).flatMap(({ action }) => (action.kind === 'recallSound' ? [action.soundId] : [])),
    ),
  )
  const isSplit = isSound && isAlone(rig, footswitch)
  const groups = isSplit ? bySingle(rig, claims) : [claims]
  let best: readonly Move[] | null = null
  let isUnknown = false
  for (const group of groups) {
    if (group.length === 0 || (isSplit && only !== null && claimParts(rig, group[0]!)[1] !== only)) continue
    if (!canDrift(rig, group, isSplit && !isShown)) continue
    const parts = group.flatMap((claim) => claimParts(rig, claim))
    const more = [...(isSound ? ['S'] : []), ...tuner, ...shown, ...(isSplit ? [] : sentFor(rig, footswitch))]
    const found = fewestMoves(
      rig,
      [...closed(rig, [...parts, ...more])].sort(),
      (state) => lampTruth(rig, footswitch, state)?.verdict === 'lies',
      sounds,
    )
    if (found.kind === 'unknown') isUnknown = true
    if (found.kind === 'run' && (best === null || found.moves.length < best.length)) best = found.moves
  }
  if (best === null) return { kind: isUnknown ? 'unknown' : 'holds' }
  return played(rig, footswitch, best)
}

/** The run on the whole floor: what was left out of the search has no say, and this shows that it has none. */
function played(rig: Rig, footswitch: Footswitch, moves: readonly Move[]): LampVerdict {
  const start = restingStart(rig)
  const state = makeMoves(rig, start, moves).at(-1)?.state ?? start
  const truth = lampTruth(rig, footswitch, state)
  return truth?.verdict === 'lies'
    ? {
        kind: 'lies',
        lie: { switchId: footswitch.id, moves, isLit: truth.isLit, claim: truth.against[0]! },
      }
    : { kind: 'unknown' }
}

const does = (rig: Rig, footswitch: Footswitch, kind: 'recallSound' | 'tuner'): boolean =>
  actionLists(footswitch).some(({ actions }) =>
    expanded(rig, actions).some(({ action }) => action.kind === kind),
  )

/** What it goes by that is no claim: of a control that fires, that its value was sent. */
const sentFor = (rig: Rig, footswitch: Footswitch): Part[] =>
  actionLists(footswitch).flatMap(({ actions }) =>
    lampSays(rig, actions, NOTHING_KNOWN).flatMap(({ action }) =>
      'controlId' in action && action.controlId !== null ? [`v/${action.controlId}`] : [],
    ),
  )

/** Whether its sounds are all its lamp tells of, one in a list. */
const isAlone = (rig: Rig, footswitch: Footswitch): boolean =>
  actionLists(footswitch).every(({ actions }) => {
    const says = lampSays(rig, actions, NOTHING_KNOWN)
    return says.length === 0 || (says.length === 1 && says[0]!.action.kind === 'recallSound')
  })

/** Claims by what they are about. */
function bySingle(rig: Rig, claims: readonly Claim[]): readonly (readonly Claim[])[] {
  const all = new Map<Part, Claim[]>()
  for (const claim of claims) {
    const [, part] = claimParts(rig, claim)
    const ours = all.get(part)
    if (ours) ours.push(claim)
    else all.set(part, [claim])
  }
  return [...all.values()]
}

/**
 * Whether anything can put what is believed and what is apart: a move that sets one and not the other, or not alike, or
 * what hangs on what was there before. Where nothing can, no search is needed; most lamps of most rigs are of this kind.
 */
function canDrift(rig: Rig, claims: readonly Claim[], isSound: boolean): boolean {
  const known = drifting(rig)
  return claims.some((claim) => {
    // It hangs on what the claim is about, not on what it says of that: many lamps share the answer.
    const key = `${isSound} ${claimParts(rig, claim)[1]}`
    let answer = known.get(key)
    if (answer === undefined) known.set(key, (answer = driftsAt(rig, claim, isSound)))
    return answer
  })
}

const drifting = perTables(FLOOR_TABLES, () => new Map<string, boolean>())

function driftsAt(rig: Rig, claim: Claim, isSound: boolean): boolean {
  const [belief, truth] = claimParts(rig, claim)
  if (isStateful(rig, truth) || isAskedFor(rig, belief, claimDevice(rig, claim))) return true
  const start = restingStart(rig)
  const isBegun = !isSound || partOf(start, 'S') !== undefined
  if (isBegun && partOf(start, belief) !== partOf(start, truth)) return true
  return everyMove(rig).some((state) => {
    const [b, t] = [partOf(state, belief), partOf(state, truth)]
    const sound = isSound ? partOf(state, 'S') : leftValue('S')
    // No lamp of a sound is lit after it.
    if (sound === undefined) return false
    if (sound !== leftValue('S'))
      return soundClaims(rig, String(sound)).some(
        (one) => claimParts(rig, one)[1] === truth && !isAsClaimed(one, t),
      )
    return b !== t
  })
}

/** Something goes by it when it sets it: what comes of that hangs on what was there. A resync does harm only where it is too fast. */
const isAskedFor = (rig: Rig, belief: Part, deviceId: string): boolean =>
  everyParts(rig).some(({ asks, asksAll }) => asks.has(belief) || (asksAll && isTooFast(rig, deviceId)))

/** A device loses what comes while it loads, and some controller cannot wait so long. */
function isTooFast(rig: Rig, deviceId: string): boolean {
  const device = own(rig.devices, deviceId)
  return (
    device?.whileDeaf === 'loses' &&
    Object.values(rig.controllers).some(({ waitMs }) => device.deafMs > waitMs)
  )
}

const soundClaims = (rig: Rig, soundId: string): readonly Claim[] =>
  lampSays(rig, [{ kind: 'recallSound', soundId: soundId as never }], NOTHING_KNOWN).flatMap(
    ({ claims }) => claims,
  )

const isAsClaimed = (claim: Claim, value: unknown): boolean =>
  value === (claim.kind === 'preset' ? claim.index : claim.kind === 'value' ? claim.value : undefined) ||
  (claim.kind === 'contact' && value === claim.isClosed)

/** What each move of the rig makes of a floor on which nothing was. */
const everyMove = perTables(FLOOR_TABLES, (rig: Rig): readonly FloorState[] => {
  const all: FloorState[] = []
  for (const bank of byIndex(rig.banks)) {
    const before = floorOf(rig, JSON.stringify([bank.id, 'base', null, [], null, null]), new Map())
    for (const { move } of movesAt(rig, before))
      if (move.kind === 'bank') all.push(makeMove(rig, before, move, null).state)
  }
  const done = new Set<Footswitch>()
  for (const bank of byIndex(rig.banks))
    for (const layer of LAYERS) {
      const place = JSON.stringify([bank.id, layer, null, [], null, null])
      for (const one of switchesHere(rig, bank.id, layer).values()) {
        if (done.has(one) || !isProgrammed(one)) continue
        done.add(one)
        one.positions.forEach((_, n) => {
          for (const at of showStarts(rig, one)) {
            const before = floorOf(
              rig,
              place,
              new Map<Part, string | number | undefined>([
                [`n/${one.id}`, n],
                ['H', at],
              ]),
            )
            for (const { move, footswitch } of movesAt(rig, before)) {
              if (footswitch !== one || (n > 0 && move.kind !== 'press' && move.kind !== 'down')) continue
              const { state } = makeMove(rig, before, move, one)
              all.push(state)
              if (move.kind === 'down') all.push(makeMove(rig, state, { ...move, kind: 'up' }, one).state)
            }
          }
        })
      }
    }
  return all
})

/** Places of the show from which a switch comes to each sound it can step on to; only the beginning for all other switches. */
function showStarts(rig: Rig, footswitch: Footswitch): readonly (string | undefined)[] {
  if (!switchParts(rig, footswitch).asks.has('H')) return [undefined]
  const show = showOn(rig)
  const steps = actionLists(footswitch).flatMap(({ actions }) =>
    expanded(rig, actions).flatMap(({ action }) => (action.kind === 'showStep' ? [action] : [])),
  )
  const met = new Set<string>()
  return [null, ...(show ? playedParts(rig, show) : []).map(showPlace)].flatMap((at) => {
    const news = steps
      .map(({ to, songId }) => `${to} ${showTarget(rig, at, to, songId)?.soundId}`)
      .filter((one) => !met.has(one))
    for (const one of news) met.add(one)
    return at === null ? [undefined] : news.length > 0 ? [JSON.stringify(at)] : []
  })
}

/** Every switch whose lamp says something of devices, in the order of banks. */
export const lampsToProve = (rig: Rig): readonly Footswitch[] =>
  Object.values(rig.switches)
    .filter((one) => isProgrammed(one) && claimsOfLamp(rig, one).length > 0)
    .sort((a, b) => order(rig, a) - order(rig, b))

const order = (rig: Rig, { bankId, layer, number }: Footswitch): number =>
  (own(rig.banks, bankId)?.index ?? 0) * 1000 + (layer === 'shift' ? 500 : 0) + number
