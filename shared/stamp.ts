/** What was proven of one revision of a rig, for a printout. */
export interface Stamp {
  readonly revision: number
  readonly holds: number
  readonly fails: number
  readonly open: number
  /** In how many ways the floor can be, as a power of ten, rounded down. */
  readonly ways: number
}

const FIELDS = ['revision', 'holds', 'fails', 'open', 'ways'] as const

/** "57.212.2.0.41": the numbers, with dots between. */
export const stampText = (stamp: Stamp): string => FIELDS.map((field) => stamp[field]).join('.')

/** Null for anything {@link stampText} does not write. */
export function readStamp(text: string): Stamp | null {
  const numbers = text.split('.').map(Number)
  const isRight =
    numbers.length === FIELDS.length && /^\d+(\.\d+)*$/.test(text) && numbers.every(Number.isSafeInteger)
  return isRight
    ? (Object.fromEntries(FIELDS.map((field, n) => [field, numbers[n]])) as unknown as Stamp)
    : null
}

/** The line at the foot of a paper. `revision` is the one that is printed: a proof of another says nothing of it. */
export function stampLine(stamp: Stamp | null, revision: number): string {
  if (!stamp) return `Revision ${revision}. Not proven.`
  if (stamp.revision !== revision)
    return `Revision ${revision}. What was proven was revision ${stamp.revision}: it says nothing of this one.`
  const { holds, fails, open, ways } = stamp
  const all = holds + fails + open
  const less = [...(fails > 0 ? [`${fails} can go wrong`] : []), ...(open > 0 ? [`${open} not proven`] : [])]
  const over = `over some 10^${ways} ways the simulated floor can be`
  return less.length === 0
    ? `Revision ${revision}. All ${all} things proven hold, ${over}.`
    : `Revision ${revision}. ${holds} of ${all} things hold, ${less.join(', ')}; ${over}.`
}
