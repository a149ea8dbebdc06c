import type { HeardMessage } from './gestures'

/** What was heard of one switch of a controller nobody knows: taps one after the other, then one that was held. */
export interface SwitchTakes {
  /** Each tap with all that came of it. */
  readonly taps: readonly (readonly HeardMessage[])[]
  /** Held for `heldMs` from the moment the player was told to step on it; null while it was not. */
  readonly hold: { readonly messages: readonly HeardMessage[]; readonly heldMs: number } | null
  /** Two quick steps; null where the controller tells none apart, or was not asked yet. */
  readonly double: readonly HeardMessage[] | null
}

/** What a switch was found to do, list by list. */
export interface LearnedSwitch {
  readonly positions: readonly (readonly HeardMessage[])[]
  readonly release: readonly HeardMessage[]
  readonly longPress: readonly HeardMessage[]
  readonly doublePress: readonly HeardMessage[]
  readonly doubts: readonly LearnDoubt[]
}

/** What cannot be heard, and is asked or left open. */
export type LearnDoubt =
  /** It sends nothing: it may turn banks, tune, or do nothing at all. */
  | 'silent'
  /** It went on doing something else at every tap: it may count up, or follow a list. */
  | 'goesOn'
  /** Held, it did what fits neither its taps nor a press that is long. */
  | 'holdUnclear'
  /** It makes pauses so long that they cannot be told from the foot coming off. */
  | 'longPauses'

/** More taps than this nobody makes: as many positions as a switch can have, twice. */
const TAPS_MAX = 32

/** A foot told to come off may be so late or early, in ms. */
const SLACK_MS = 700

/**
 * What to ask for next of a switch: another tap until its positions have come round once more, then one that is held, then
 * two quick ones where the controller tells them apart.
 */
export function nextAsked(takes: SwitchTakes, tellsDouble: boolean): 'tap' | 'hold' | 'double' | null {
  if (cycleOf(takes.taps) === null && takes.taps.length < TAPS_MAX) return 'tap'
  if (takes.hold === null) return 'hold'
  return tellsDouble && takes.double === null ? 'double' : null
}

const text = (messages: readonly HeardMessage[]): string => messages.map(({ hex }) => hex).join('|')

/** After how many taps they begin anew: seen twice whole. Null while that was not seen. */
function cycleOf(taps: SwitchTakes['taps']): number | null {
  const all = taps.map(text)
  for (let n = 1; 2 * n <= all.length; n++) if (all.every((one, k) => k < n || one === all[k - n])) return n
  return null
}

/**
 * What a switch does. What came when the foot came off (held so long that it cannot be anything else) is its release, and is
 * taken off every tap; what a held foot sent that no tap does is its long press. Refuses nothing: what cannot be told is said
 * in `doubts`.
 */
export function learnSwitch({ taps, hold, double }: SwitchTakes): LearnedSwitch {
  const doubts: LearnDoubt[] = []
  const cycle = cycleOf(taps)
  if (cycle === null && taps.length > 0) doubts.push('goesOn')
  const heard = cycle === null ? taps.slice(0, 1) : taps.slice(0, cycle)
  const tapped = heard.length > 0 ? heard : [[]]
  const isUp = ({ ms }: HeardMessage) => hold !== null && ms >= hold.heldMs - SLACK_MS
  const late = hold?.messages.filter(isUp) ?? []
  const early = hold?.messages.filter((one) => !isUp(one)) ?? []
  if (taps.flat().some(({ ms }) => ms > HELD_LEAST)) doubts.push('longPauses')
  // A held foot goes on from where the taps left it.
  const after = cycle === null ? 0 : taps.length % cycle
  const isLong = (plain: readonly HeardMessage[]) => text(early) !== text(plain)
  let release: readonly HeardMessage[] = late
  const ways = tapped.map((one) => withoutRelease(one, late))
  if (ways.some((one) => one.length === 0)) {
    // What came off the foot is no part of a tap.
    doubts.push('holdUnclear')
    release = []
  }
  // Where the foot came off in a pause, the way that agrees with what was heard of a held foot is the right one.
  const without = (messages: readonly HeardMessage[]): readonly HeardMessage[] => {
    const all = release.length === 0 ? [messages] : withoutRelease(messages, release)
    return all.find((one) => !isLong(one)) ?? all[0] ?? messages
  }
  let longPress: readonly HeardMessage[] = []
  const plain = without(tapped[after] ?? [])
  if (hold !== null && !doubts.includes('holdUnclear') && isLong(plain)) {
    const isBefore = plain.length > 0 && text(early.slice(0, plain.length)) === text(plain)
    longPress = isBefore ? early.slice(plain.length) : early
    // Nothing came while it was held though taps send: its plain press waits for the foot to come off, and there it was not.
    if (longPress.length === 0) doubts.push('holdUnclear')
  }
  const positions = tapped.map(without)
  const nextTap = (n: number) => tapped[(after + n) % tapped.length] ?? []
  const twice = [nextTap(1), nextTap(2)]
  const isDouble = double !== null && double.length > 0 && !isLikeTaps(double, twice, release)
  const doublePress = isDouble ? without(double) : []
  if ([...positions, release, longPress, doublePress].every((list) => list.length === 0))
    doubts.push('silent')
  return { positions, release, longPress, doublePress, doubts }
}

/** What a release sends may be so much later or earlier against its first message, in ms. */
const TIMING_MS = 12

/**
 * A tap without what its foot sent as it came off: every way of finding those messages in it, in their order and with the
 * pauses between them; the foot may have come off while the tap's own list was pausing. The last first, since a release is
 * mostly what comes last.
 */
function withoutRelease(tap: readonly HeardMessage[], release: readonly HeardMessage[]): HeardMessage[][] {
  if (release.length === 0) return [[...tap]]
  const ways: HeardMessage[][] = []
  for (let from = tap.length - release.length; from >= 0; from--) {
    const taken = new Set<number>()
    const moved = tap[from]!.ms - release[0]!.ms
    for (const { ms, hex } of release) {
      const at = tap.findIndex(
        (one, n) =>
          n >= from && !taken.has(n) && one.hex === hex && Math.abs(one.ms - moved - ms) <= TIMING_MS,
      )
      if (at < 0) break
      taken.add(at)
    }
    if (taken.size === release.length) ways.push(tap.filter((_, n) => !taken.has(n)))
  }
  return ways
}

/** No tap of a foot takes so long, in ms. */
const HELD_LEAST = 1000

const isLikeTaps = (
  double: readonly HeardMessage[],
  [first, second]: readonly (readonly HeardMessage[])[],
  release: readonly HeardMessage[],
): boolean =>
  [
    [...first!, ...second!],
    [...first!.slice(0, first!.length - release.length), ...second!],
  ].some((one) => text(one) === text(double))
