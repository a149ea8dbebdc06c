import { own } from '#core/base'
import {
  perRow,
  perTables,
  FLOOR_TABLES,
  type Rig,
  type Action,
  actionLists,
  isProgrammed,
  type Footswitch,
  type SwitchId,
} from '#core/rig'
import {
  changesOver,
  claimDevice,
  isDark,
  lampTruth,
  PLAN_KEYS,
  isDoneOtherwise,
  isSilentOn,
} from '#core/simulate'
import {
  expanded,
  lampSays,
  litBy,
  soundsIn,
  type LampSay,
  holds,
  type Claim,
  NOTHING_KNOWN,
} from '#core/switching'
import { fewest, floorAt, fullBudget, isNever, isPlainlyAlways, type PartNeed, type ValueAt } from './ask'
import { floorMachine, type Label } from './floorMachine'
import { makeMoves, restingStart, type CalmMove } from './moves'
import { printOf } from './prints'
import { claimParts, knownWith, type Part, type PartValue, beliefsAt } from './parts'

/** A lamp that can say the contrary of what is, with the fewest calm moves after which it does. */
export interface LampLie {
  readonly switchId: SwitchId
  readonly moves: readonly CalmMove[]
  /** What it says then, and the first thing that speaks against it. */
  readonly isLit: boolean
  readonly claim: Claim
  /** No run of fewer moves shows it; where that is not known, one may. */
  readonly isFewest: boolean
}

/** What is known of one lamp: it can lie, it cannot, or not all that can happen was looked at. */
export type LampVerdict =
  | { readonly kind: 'lies'; readonly lie: LampLie }
  | { readonly kind: 'holds' }
  /** It does not lie after fewer moves than `atLeast`. */
  | { readonly kind: 'unknown'; readonly atLeast: number }

/** What the lamps of a switch say, list by list. */
const listsOfLamp = (rig: Rig, footswitch: Footswitch): readonly (readonly LampSay[])[] =>
  actionLists(footswitch)
    .filter(({ path }) => path[0] !== 'doublePress')
    .map(({ actions }) => lampSays(rig, actions, NOTHING_KNOWN))

const claimsOf = (says: readonly LampSay[]): readonly Claim[] => says.flatMap(({ claims }) => claims)

/** Whatever the lamps of a switch say of devices. */
export const claimsOfLamp = (rig: Rig, footswitch: Footswitch): readonly Claim[] =>
  claimsOf(listsOfLamp(rig, footswitch).flat())

/**
 * Whether the lamp of a switch can lie: exact for a foot that makes one calm move after the other from power-on, as long
 * as messages are what moves devices. A sound's lamp is looked at one claim at a time, since it lies as soon as one does.
 */
export const lampVerdict = perRow(FLOOR_TABLES, (rig, footswitch: Footswitch): LampVerdict => {
  if (isDark(footswitch)) return { kind: 'holds' }
  // No part is the tempo: what is played at the end goes by it.
  if (lampGoesBy(rig, footswitch, 'tempo')) return searched(rig, footswitch, null)
  const before = keptVerdict(rig, footswitch)
  const lists = listsOfLamp(rig, footswitch)
  // All that has a say, so that an edit that leaves it as it was leaves the verdict.
  const presets = claimsOf(lists.flat()).map((claim): Part => `p/${claimDevice(rig, claim)}`)
  const print = printOf(floorMachine(rig), [...askedBy(rig, footswitch, lists), ...presets, 'S'])
  if (before.print !== print || before.verdict === null)
    Object.assign(before, { print, verdict: searched(rig, footswitch, null) } satisfies Kept)
  return before.verdict!
})

interface Kept {
  print: string
  verdict: LampVerdict | null
}

/** The verdict before an edit to other switches. */
const keptVerdict = perRow([...PLAN_KEYS, 'banks'], (): Kept => ({ print: '', verdict: null }))

/** The same as far as one part of the devices has a say: what a change elsewhere leaves as it was is not looked at again. */
export const lampVerdictOn = (rig: Rig, footswitch: Footswitch, part: Part): LampVerdict =>
  searched(rig, footswitch, part)

function searched(rig: Rig, row: Footswitch, only: Part | null): LampVerdict {
  if (isDark(row)) return { kind: 'holds' }
  const [footswitch, ...others] = withoutTempo(rig, row)
  const lists = listsOfLamp(rig, footswitch)
  const shown = shownBy(footswitch)
  const isShown = shown.length > 0
  const sounds = soundsOf(rig, footswitch)
  const asked = askedBy(rig, footswitch, lists)
  const floor = floorMachine(rig)
  // A lamp of sounds lies as soon as one of its claims does; with more in its list all must be looked at together.
  const isSplit = sounds.size > 0 && isAlone(rig, footswitch)
  const isFollowing = footswitch.lamps.every(({ light }) => light === 'follow')
  const isTuner = lampGoesBy(rig, footswitch, 'tuner')
  const needsSound = !isShown && sounds.size > 0 && isOfSounds(rig, footswitch)
  const isLying = (parts: readonly Part[]) => {
    const known = new Map<string, boolean>()
    return (place: number, valueAt: ValueAt) => {
      const key = parts.reduce((text, part) => `${text},${valueAt(part)}`, floor.spots[place]!)
      let answer = known.get(key)
      if (answer === undefined) {
        const state = floorAt(rig, floor, place, valueAt, parts)
        answer = [footswitch, ...others].some((one) => lampTruth(rig, one, state)?.verdict === 'lies')
        known.set(key, answer)
      }
      return answer
    }
  }
  let best: readonly Label[] | null = null
  let atLeast = Number.POSITIVE_INFINITY
  const whole = fullBudget(lampsToProve(rig).length)
  const ours: PartNeed[] = needsSound ? [{ part: 'S', isMet: (value) => sounds.has(String(value)) }] : []
  const questions = lists.flatMap((says) => {
    const claims = claimsOf(says)
    const needs = {
      lit: [...ours, ...(isShown || sounds.size > 0 ? [] : litNeeds(rig, says))],
      dark: [...ours, ...(isShown ? [] : trueNeeds(rig, claims))],
      either: ours,
    }
    return claims.map((claim) => ({ claim, claims, needs }))
  })
  let left = questions.length
  for (const { claim, claims, needs } of questions) {
    const share = whole.states / left--
    const pair = claimParts(rig, claim)
    if (isSplit && only !== null && pair[1] !== only) continue
    // What is believed of the preset it came with says whether it still stands.
    const preset = `p/${claimDevice(rig, claim)}`
    const behind = [preset, ...(sounds.size > 0 && !needsSound && footswitch.group === '' ? ['S'] : [])]
    const through = [...pair, ...behind, ...shown]
    const all = isSplit ? [...through, 'S'] : [...asked, preset]
    const isLyingHere = isLying(through)
    // In the player's own colours a lamp may say the contrary of what its list does.
    const mayBeApart = (valueAt: ValueAt) => {
      // A tuner's lamp goes by what was last done to any tuner, and not by what was sent for this one.
      if (isTuner) return isAsClaimed(rig, claim, valueAt(pair[1])) !== null
      return mayLie(
        rig,
        claim,
        claims,
        valueAt,
        isSplit ? 'sound' : sounds.size > 0 || isShown ? 'mixed' : 'sent',
      )
    }
    // Without asking which sound it is, or which of its group was stepped on last, first: mostly that is enough.
    if (isFollowing && isNever(rig, floor, [...pair, preset], mayBeApart)) continue
    const [sound] = ours
    const isRight = { part: pair[1], isMet: (value: PartValue) => isAsClaimed(rig, claim, value) !== false }
    if (isSplit && isFollowing && sound && isPlainlyAlways(floor, sound, isRight)) continue
    // What one question does not need is left to the others.
    const budget = { states: share }
    whole.states -= share
    // A lit lamp and a dark one lie for other reasons, and need other things for it.
    for (const isLit of isFollowing ? [true, false] : [null]) {
      const mayBe = (place: number, valueAt: ValueAt) =>
        isLit === null
          ? mayBeApart(valueAt) || isLyingHere(place, valueAt)
          : (isAsClaimed(rig, claim, valueAt(pair[1])) === false) === isLit && mayBeApart(valueAt)
      const found = fewest(rig, floor, {
        through,
        asked: all,
        needs: needs[isLit === null ? 'either' : isLit ? 'lit' : 'dark'],
        budget,
        ...(best && { below: best.length }),
        mayBe,
        isAnywhere: isLit !== null,
        isSo: isLying(all),
      })
      if (found.kind === 'unknown') atLeast = Math.min(atLeast, found.atLeast)
      if (found.kind === 'run') best = found.labels
    }
    whole.states += budget.states
  }
  if (best === null)
    return atLeast < Number.POSITIVE_INFINITY ? { kind: 'unknown', atLeast } : { kind: 'holds' }
  return played(
    rig,
    row,
    best.map(({ move }) => move),
    atLeast >= best.length,
  )
}

/** What is believed wherever a list lights its lamp: of each that has a say and one claim. */
const litNeeds = (rig: Rig, says: readonly LampSay[]): PartNeed[] =>
  says.flatMap(({ action, claims: [claim, ...more] }): PartNeed[] => {
    // What lights a tuner's lamp, or one of sounds, is no value that was sent.
    if (!claim || more.length > 0 || litBy(action) !== null) return []
    const [part] = claimParts(rig, claim)
    const isMet = (value: PartValue) =>
      lampSays(rig, [action], knownWith(part, value)).every(({ isLit }) => isLit)
    return [{ part, isMet }]
  })

/** What is so wherever a dark lamp lies: all of it. */
const trueNeeds = (rig: Rig, claims: readonly Claim[]): PartNeed[] =>
  claims.map((claim) => ({
    part: claimParts(rig, claim)[1],
    isMet: (value) => isAsClaimed(rig, claim, value) === true,
  }))

/** What a lamp goes by that shows which position was done last. */
const shownBy = ({ id, lamps, group }: Footswitch): readonly Part[] =>
  lamps.some(({ light }) => light !== 'follow') || group !== '' ? [`n/${id}`, `d/${id}`] : []

/** The part of a floor that a lamp goes by beside what was sent. */
const LIT_PART: { readonly [by: string]: Part } = { sound: 'S', tuner: 'T', clock: 'C', show: 'H' }

/** All parts that have a say in whether a lamp is right. */
const askedBy = (
  rig: Rig,
  footswitch: Footswitch,
  lists: readonly (readonly LampSay[])[],
): readonly Part[] => [
  ...claimsOf(lists.flat()).flatMap((claim) => claimParts(rig, claim)),
  ...actionsOf(rig, footswitch).flatMap((action) => LIT_PART[litBy(action) ?? ''] ?? []),
  ...shownBy(footswitch),
  ...sentFor(rig, footswitch),
]

/**
 * Whether what a claim says and what is may be apart, and a lamp lie for it. A lamp of sounds is lit as long as one of them
 * was recalled last, and otherwise dark whatever is; one that goes by what was sent is lit where just this was.
 */
function mayLie(
  rig: Rig,
  claim: Claim,
  claims: readonly Claim[],
  valueAt: ValueAt,
  goesBy: 'sound' | 'sent' | 'mixed',
): boolean {
  const [told, truth] = claimParts(rig, claim)
  const is = isAsClaimed(rig, claim, valueAt(truth))
  if (is === null) return false
  const sent = valueAt(told)
  const believed = isAsClaimed(rig, claim, sent)
  const belief = beliefsAt(valueAt)
  if (is) {
    if (goesBy === 'sound' || isSilentOn(rig, claim, belief)) return false
    // A lamp may go by the very value that was sent, where on is on to the device.
    return !(claim.kind === 'value' ? sent === claim.value : believed)
  }
  if (goesBy === 'sent' && believed === null && !changesOver(rig, claim)) return false
  return !isDoneOtherwise(rig, claim, claims, belief)
}

/** Null where nothing is known of it. */
export function isAsClaimed(rig: Rig, claim: Claim, value: PartValue): boolean | null {
  const number = value as number | undefined
  return holds(rig, claim, {
    preset: () => number,
    value: () => number,
    contact: () => value as boolean | undefined,
  })
}

/** The sounds a switch recalls, on its way through the show too. */
const soundsOf = (rig: Rig, footswitch: Footswitch): ReadonlySet<string> =>
  new Set(actionLists(footswitch).flatMap(({ actions }) => soundsIn(rig, actions)))

/** The run on the whole floor: what was left out of the search has no say, and this shows that it has none. */
function played(
  rig: Rig,
  footswitch: Footswitch,
  moves: readonly CalmMove[],
  isFewest: boolean,
): LampVerdict {
  const start = restingStart(rig)
  const state = makeMoves(rig, start, moves).at(-1)?.state ?? start
  const truth = lampTruth(rig, footswitch, state)
  return truth?.verdict === 'lies'
    ? {
        kind: 'lies',
        lie: { switchId: footswitch.id, moves, isLit: truth.isLit, claim: truth.against[0]!, isFewest },
      }
    : { kind: 'unknown', atLeast: 0 }
}

const actionsOf = (rig: Rig, footswitch: Footswitch): Action[] =>
  actionLists(footswitch).flatMap(({ actions }) => expanded(rig, actions).map(({ action }) => action))

const lampGoesBy = (rig: Rig, footswitch: Footswitch, by: ReturnType<typeof litBy>): boolean =>
  actionsOf(rig, footswitch).some((action) => litBy(action) === by)

/**
 * The switch with lists that say nothing of the tempo, no part of a floor being that: each list that asks for it may be lit
 * as the rest of it says, or dark, and the lamp is what one of these says. What is found so is played with all that it does.
 */
function withoutTempo(rig: Rig, footswitch: Footswitch): readonly [Footswitch, ...Footswitch[]] {
  if (!lampGoesBy(rig, footswitch, 'tempo')) return [footswitch]
  const { positions, release, longPress, doublePress } = footswitch
  const bare = (actions: readonly Action[]) =>
    expanded(rig, actions).flatMap(({ action }) => (litBy(action) === 'tempo' ? [] : [action]))
  const asks = (actions: readonly Action[]) => bare(actions).length < expanded(rig, actions).length
  const lists = [...positions, release, longPress]
  const asking: (readonly Action[])[] = lists.filter(asks)
  const [first, ...more] = Array.from({ length: 2 ** asking.length }, (_, dark): Footswitch => {
    const list = (actions: readonly Action[]) => {
      const n = asking.indexOf(actions)
      return n >= 0 && ((dark >> n) & 1) === 1 ? [] : bare(actions)
    }
    return {
      ...footswitch,
      positions: positions.map(list),
      release: list(release),
      longPress: list(longPress),
      doublePress: bare(doublePress),
    }
  })
  return [first!, ...more]
}

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
    return says.length === 0 || (says.length === 1 && litBy(says[0]!.action) === 'sound')
  })

/** Whether no list of it lights its lamp but by a sound. */
const isOfSounds = (rig: Rig, footswitch: Footswitch): boolean =>
  actionLists(footswitch).every(({ actions }) => {
    const says = lampSays(rig, actions, NOTHING_KNOWN)
    return says.length === 0 || says.some(({ action }) => litBy(action) === 'sound')
  })

/** Every switch whose lamp says something of devices, in the order of banks. */
export const lampsToProve = perTables(FLOOR_TABLES, (rig: Rig): readonly Footswitch[] =>
  Object.values(rig.switches)
    .filter((one) => isProgrammed(one) && claimsOfLamp(rig, one).length > 0)
    .sort((a, b) => order(rig, a) - order(rig, b)),
)

const order = (rig: Rig, { bankId, layer, number }: Footswitch): number =>
  (own(rig.banks, bankId)?.index ?? 0) * 1000 + (layer === 'shift' ? 500 : 0) + number
