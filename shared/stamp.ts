import { NOT_LOOKED, type NotLooked } from '#core/check'
import { NOT_LOOKED_TEXT } from './notLooked'

/** What was proven of one revision of a rig, for a printout. */
export interface Stamp {
  readonly revision: number
  readonly holds: number
  readonly fails: number
  readonly open: number
  /** What the rig has and was not looked at. */
  readonly notLooked: readonly NotLooked[]
  /** In how many ways the floor can be, as a power of ten, rounded down. */
  readonly ways: number
}

const FIELDS = ['revision', 'holds', 'fails', 'open', 'ways'] as const

/** "57.212.2.0.41.5": the numbers, with dots between; the last one has a bit for each kind of thing not looked at. */
export const stampText = (stamp: Stamp): string =>
  [
    ...FIELDS.map((field) => stamp[field]),
    NOT_LOOKED.reduce((bits, one, n) => bits | (stamp.notLooked.includes(one) ? 1 << n : 0), 0),
  ].join('.')

/** Null for anything {@link stampText} does not write. */
export function readStamp(text: string): Stamp | null {
  const numbers = text.split('.').map(Number)
  const bits = numbers[FIELDS.length] ?? 0
  const isRight =
    numbers.length === FIELDS.length + 1 &&
    /^\d+(\.\d+)*$/.test(text) &&
    numbers.every(Number.isSafeInteger) &&
    bits < 1 << NOT_LOOKED.length
  if (!isRight) return null
  const [revision, holds, fails, open, ways] = numbers as [number, number, number, number, number]
  const notLooked = NOT_LOOKED.filter((_, n) => (bits >> n) & 1)
  return { revision, holds, fails, open, ways, notLooked }
}

/** The line at the foot of a paper. `revision` is the one that is printed: a proof of another says nothing of it. */
export function stampLine(stamp: Stamp | null, revision: number): string {
  if (!stamp) return `Revision ${revision}. Not proven.`
  if (stamp.revision !== revision)
    return `Revision ${revision}. What was proven was revision ${stamp.revision}: it says nothing of this one.`
  const { holds, fails, open, ways, notLooked } = stamp
  const all = holds + fails + open
  const less = [...(fails > 0 ? [`${fails} can go wrong`] : []), ...(open > 0 ? [`${open} not proven`] : [])]
  const over = `over some 10^${ways} ways the simulated floor can be`
  const beside =
    notLooked.length === 0
      ? ''
      : ` Not looked at: ${notLooked.map((one) => NOT_LOOKED_TEXT[one]).join('; ')}.`
  return less.length === 0
    ? `Revision ${revision}. All ${all} things asked hold, ${over}.${beside}`
    : `Revision ${revision}. ${holds} of ${all} things asked hold, ${less.join(', ')}; ${over}.${beside}`
}
