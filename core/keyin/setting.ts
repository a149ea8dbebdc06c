import { assertNever } from '../base/assertNever'
import type { Setter } from '../rig/table/keying'

/** One press of a key. */
export interface Press {
  readonly key: string
  /** Held for so long, in ms. */
  readonly holdMs?: number
  /** Held until the value has run on so many times by the setter's fast step. */
  readonly runs?: number
  /** What is pointed at, or the letter typed. */
  readonly at?: string
}

/** The same press so many times. */
export interface Stroke extends Press {
  readonly times: number
}

/** What a value can be: `size` of them, the lowest shown as `first`. */
export interface Domain {
  readonly size: number
  readonly first: number
}

export const pressesIn = (strokes: readonly Stroke[]): number =>
  strokes.reduce((all, { times }) => all + times, 0)

/** Digits shown of a value: as many as the highest takes. */
export const digitsOf = (value: number, { size, first }: Domain): number[] =>
  Array.from(String(value + first).padStart(String(size - 1 + first).length, '0'), Number)

/**
 * The fewest presses that lead a value from one to another, both counted from 0. `name` is what is pointed at or typed
 * where the setter is of that kind.
 */
export function settingStrokes(
  setter: Setter,
  domain: Domain,
  from: number,
  to: number,
  name: string,
): readonly Stroke[] {
  switch (setter.how) {
    case 'steps':
      return from === to ? [] : steps(setter, domain.size, from, to)
    case 'digits':
      return from === to
        ? []
        : [
            ...Array.from(String(to + domain.first), (digit) => stroke(`d${digit}`, 1)),
            ...(setter.enter === null ? [] : [stroke(setter.enter, 1)]),
          ]
    case 'places': {
      const [now, wanted] = [digitsOf(from, domain), digitsOf(to, domain)]
      const keys = setter.keys.slice(-wanted.length)
      // A place that no key raises stays as it is.
      return keys.flatMap((key, n) => {
        const at = wanted.length - keys.length + n
        return some(key, (wanted[at]! - now[at]! + 10) % 10)
      })
    }
    case 'cursor': {
      const [now, wanted] = [digitsOf(from, domain), digitsOf(to, domain)]
      const strokes: Stroke[] = []
      let moved = 0
      wanted.forEach((digit, n) => {
        const up = (digit - now[n]! + 10) % 10
        if (up === 0) return
        strokes.push(
          ...some(setter.right, n - moved),
          ...(up <= 5 ? some(setter.up, up) : some(setter.down, 10 - up)),
        )
        moved = n
      })
      return strokes
    }
    case 'itself':
      return [{ key: name, times: 1, ...(setter.holdMs > 0 && { holdMs: setter.holdMs }) }]
    case 'pick':
      return from === to ? [] : [{ key: 'pick', times: 1, at: name }]
    case 'type':
      return from === to ? [] : [{ key: 'type', times: 1, at: name }]
    default:
      return assertNever(setter)
  }
}

/** Whether a setter can reach every value: keys for too few places cannot. */
export const canSet = (setter: Setter, domain: Domain): boolean =>
  setter.how !== 'places' || setter.keys.length >= digitsOf(domain.size - 1, domain).length

const stroke = (key: string, times: number): Stroke => ({ key, times })
const some = (key: string, times: number): Stroke[] => (times === 0 ? [] : [stroke(key, times)])

type Steps = Extract<Setter, { how: 'steps' }>

/** Up or down by single presses and held ones, past an end where the value wraps: whichever is least. */
function steps(setter: Steps, size: number, from: number, to: number): Stroke[] {
  const ways = [straight(setter, size, from, to)]
  if (setter.wraps) {
    const last = size - 1
    ways.push(
      [...straight(setter, size, from, 0), stroke(setter.down, 1), ...straight(setter, size, last, to)],
      [...straight(setter, size, from, last), stroke(setter.up, 1), ...straight(setter, size, 0, to)],
    )
  }
  return ways.reduce((least, way) => (pressesIn(way) < pressesIn(least) ? way : least))
}

/** Without passing an end: single presses; or held up to the last fast step before, or the first behind, and the rest single. */
function straight({ down, up, fast }: Steps, size: number, from: number, to: number): Stroke[] {
  const distance = Math.abs(to - from)
  const [on, back] = to > from ? [up, down] : [down, up]
  if (!fast || distance === 0) return some(on, distance)
  const { by, afterMs } = fast
  const held = (runs: number): Stroke => ({ key: on, times: 1, holdMs: afterMs, runs })
  const [runs, rest] = [Math.floor(distance / by), distance % by]
  const ways = [some(on, distance)]
  if (runs > 0) ways.push([held(runs), ...some(on, rest)])
  if (rest > 0) {
    const over = by - rest
    const isIn = (value: number) => value >= 0 && value < size
    const sign = to > from ? 1 : -1
    // Too far, and back: before it, behind it or on both sides, as the ends allow; else between two holds.
    const before = Array.from({ length: over + 1 }, (_, n) => n).find(
      (n) => isIn(from - sign * n) && isIn(to + sign * (over - n)),
    )
    if (before !== undefined) ways.push([...some(back, before), held(runs + 1), ...some(back, over - before)])
    else if (runs > 0) ways.push([held(1), ...some(back, over), held(runs)])
  }
  return ways.reduce((least, way) => (pressesIn(way) < pressesIn(least) ? way : least))
}
