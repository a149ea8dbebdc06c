import { own } from '#core/base'
import {
  change,
  type Change,
  type Edit,
  lastOrder,
  type Rig,
  PRACTICE_PAIRS_MAX,
  type Practice,
  type PracticeId,
  type PracticePair,
  type SoundId,
} from '#core/rig'

/** How one called sound was found. */
export interface CallAnswer {
  /** The sound before; null for the first one. */
  readonly from: SoundId | null
  readonly to: SoundId
  readonly wrongSteps: number
  /** From the call to the right switch, in ms; null where it was given up. */
  readonly ms: number | null
}

/** Whether a call counts as missed: a wrong step, or never found. */
export const isMiss = ({ wrongSteps, ms }: CallAnswer): boolean => wrongSteps > 0 || ms === null

/** Days of which pairs are kept, and days kept at all. */
const PAIR_DAYS = 30
const DAYS = 400

/**
 * A round put to its day: what was practised on one day adds up. Of days long ago the pairs go, then the days. `on` is
 * the day where the player is, `newId` for its row where it has none. Null where nothing was answered.
 */
export function keepRound(
  rig: Rig,
  answers: readonly CallAnswer[],
  { on, newId }: { readonly on: string; readonly newId: PracticeId },
): Edit | null {
  if (answers.length === 0) return null
  const days = practiceDays(rig)
  const before = days.findLast((one) => one.on === on) ?? null
  const found = answers.flatMap(({ ms }) => (ms === null ? [] : [ms]))
  const after: Practice = {
    id: before?.id ?? newId,
    order: before?.order ?? lastOrder(rig.practices),
    on,
    calls: (before?.calls ?? 0) + answers.length,
    misses: (before?.misses ?? 0) + answers.filter(isMiss).length,
    wrongSteps: (before?.wrongSteps ?? 0) + answers.reduce((sum, one) => sum + one.wrongSteps, 0),
    found: (before?.found ?? 0) + found.length,
    foundMs: Math.round((before?.foundMs ?? 0) + found.reduce((sum, ms) => sum + ms, 0)),
    pairs: pairsAfter(rig, before?.pairs ?? [], answers),
  }
  const changes: Change[] = [change('practices', after.id, before, after)]
  const others = days.filter(({ id }) => id !== after.id)
  const isOld = (n: number, most: number) => n < others.length - (most - 1)
  others.forEach((one, n) => {
    if (isOld(n, DAYS)) changes.push(change('practices', one.id, one, null))
    else if (isOld(n, PAIR_DAYS) && one.pairs.length > 0)
      changes.push(change('practices', one.id, one, { ...one, pairs: [] }))
  })
  return { label: 'keepPractice', changes }
}

function pairsAfter(
  rig: Rig,
  before: readonly PracticePair[],
  answers: readonly CallAnswer[],
): PracticePair[] {
  const pairs = new Map(before.map((one) => [pairKey(one.from, one.to), one]))
  for (const answer of answers) {
    const { from, to } = answer
    // A sound may have been removed while the round went on.
    if (from === null || !own(rig.sounds, from) || !own(rig.sounds, to)) continue
    const key = pairKey(from, to)
    const { calls, misses } = pairs.get(key) ?? { calls: 0, misses: 0 }
    pairs.set(key, { from, to, calls: calls + 1, misses: misses + Number(isMiss(answer)) })
  }
  // Where there are too many, those that never failed go first.
  return [...pairs.values()]
    .sort((a, b) => b.misses - a.misses || b.calls - a.calls)
    .slice(0, PRACTICE_PAIRS_MAX)
}

export const pairKey = (from: SoundId, to: SoundId): string => `${from}/${to}`

/** What was practised, the earliest day first. */
export const practiceDays = (rig: Rig): Practice[] =>
  Object.values(rig.practices).sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.order - b.order))

/** The same, with rows of one day (two browsers may have begun one each) added up. */
export function practiceByDay(rig: Rig): Practice[] {
  const days = new Map<string, Practice>()
  for (const one of practiceDays(rig)) {
    const before = days.get(one.on)
    days.set(
      one.on,
      before
        ? {
            ...before,
            calls: before.calls + one.calls,
            misses: before.misses + one.misses,
            wrongSteps: before.wrongSteps + one.wrongSteps,
            found: before.found + one.found,
            foundMs: before.foundMs + one.foundMs,
            pairs: [...before.pairs, ...one.pairs],
          }
        : one,
    )
  }
  return [...days.values()]
}

/** All of it forgotten; null where nothing was kept. */
export function forgetPractice(rig: Rig): Edit | null {
  const days = practiceDays(rig)
  return days.length === 0
    ? null
    : {
        label: 'forgetPractice',
        changes: days.map((one) => change('practices', one.id, one, null)),
      }
}
