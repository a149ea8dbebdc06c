import { own } from '#core/base'
import { perTables, type Rig, type SoundId } from '#core/rig'
import { isMiss, pairKey, practiceDays, type CallAnswer } from './round'

/** How a change of sounds went so far; a day counts half of what one a fortnight later does. */
export interface PairTally {
  readonly from: SoundId
  readonly to: SoundId
  readonly calls: number
  readonly misses: number
}

export type Tally = ReadonlyMap<string, PairTally>

const HALF_DAYS = 14
const DAY_MS = 86_400_000
/** The number of a day that was kept. */
// oxlint-disable-next-line no-restricted-globals -- It is read, and no clock is asked.
const dayNumber = (on: string): number => Date.parse(on) / DAY_MS

/** All that was kept, by pair, later days counting more. */
export const pairTally = perTables(['practices'], (rig: Rig): Tally => {
  const days = practiceDays(rig)
  const last = dayNumber(days.at(-1)?.on ?? '1970-01-01')
  const tally = new Map<string, PairTally>()
  for (const { on, pairs } of days) {
    const weight = 0.5 ** ((last - dayNumber(on)) / HALF_DAYS)
    for (const { from, to, calls, misses } of pairs)
      add(tally, { from, to, calls: calls * weight, misses: misses * weight })
  }
  return tally
})

/** With what was answered in a round that goes on. */
export function tallyWith(tally: Tally, answers: readonly CallAnswer[]): Tally {
  const after = new Map(tally)
  for (const answer of answers)
    if (answer.from !== null)
      add(after, { from: answer.from, to: answer.to, calls: 1, misses: Number(isMiss(answer)) })
  return after
}

function add(tally: Map<string, PairTally>, { from, to, calls, misses }: PairTally): void {
  const key = pairKey(from, to)
  const before = tally.get(key)
  tally.set(key, {
    from,
    to,
    calls: calls + (before?.calls ?? 0),
    misses: misses + (before?.misses ?? 0),
  })
}

/** The share of calls of a pair that is expected to fail: 15 % while nothing is known, then more and more what was seen. */
export function expectedMiss(tally: Tally, from: SoundId, to: SoundId): number {
  const { calls, misses } = tally.get(pairKey(from, to)) ?? { calls: 0, misses: 0 }
  return (misses + 0.3) / (calls + 2)
}

/** Pairs that failed, those most likely to fail first; of sounds that are gone none. */
export const weakPairs = (rig: Rig, tally: Tally): PairTally[] =>
  [...tally.values()]
    .filter(({ from, to, misses }) => misses > 0 && own(rig.sounds, from) && own(rig.sounds, to))
    .sort(
      (a, b) =>
        expectedMiss(tally, b.from, b.to) - expectedMiss(tally, a.from, a.to) ||
        b.misses - a.misses ||
        (pairKey(a.from, a.to) < pairKey(b.from, b.to) ? -1 : 1),
    )

/** How much a pair counts more for failing: 1 as long as it never did, up to 5 where it always does (ours). */
export function careOf(tally: Tally): (from: SoundId, to: SoundId) => number {
  return (from, to) => {
    const { calls, misses } = tally.get(pairKey(from, to)) ?? { calls: 0, misses: 0 }
    return 1 + (4 * misses) / (calls + 1)
  }
}
