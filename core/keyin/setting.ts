import { assertNever } from '#core/base'
import type { Setter } from '#core/rig'

/** One press of a key. */
export interface Press {
  readonly key: string
  /** Held for so long, in ms. */
  readonly holdMs?: number
  /** Held until the value has run on so many times by the setter's fast step. */
  readonly runs?: number
  /** The value that is shown then, counted from 0. */
  readonly until?: number
  /** What is pointed at, the letter typed, or what is shown when a held key is let go. */
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

/** How many presses {@link settingStrokes} comes to, without making them. */
export function settingPresses(setter: Setter, domain: Domain, from: number, to: number): number {
  if (setter.how === 'itself') return 1
  if (from === to) return 0
  switch (setter.how) {
    case 'steps':
      return stepPresses(setter, domain.size, from, to)
    case 'digits':
      return String(to + domain.first).length + (setter.enter === null ? 0 : 1)
    case 'places':
    case 'cursor':
      return pressesIn(settingStrokes(setter, domain, from, to, ''))
    case 'pick':
    case 'type':
      return 1
    default:
      return assertNever(setter)
  }
}

function stepPresses(setter: Steps, size: number, from: number, to: number): number {
  const direct = straightPresses(setter, size, from, to)
  if (!setter.wraps) return direct
  const last = size - 1
  return Math.min(
    direct,
    straightPresses(setter, size, from, 0) + 1 + straightPresses(setter, size, last, to),
    straightPresses(setter, size, from, last) + 1 + straightPresses(setter, size, 0, to),
  )
}

function straightPresses({ fast }: Steps, size: number, from: number, to: number): number {
  const distance = Math.abs(to - from)
  if (!fast) return distance
  const runs = Math.floor(distance / fast.by)
  const rest = distance - runs * fast.by
  const least = runs > 0 ? 1 + rest : distance
  if (rest === 0) return least
  const over = fast.by - rest
  // Room beyond both ends for going too far.
  const room = to > from ? from + (size - 1 - to) : size - 1 - from + to
  return Math.min(least, room >= over ? 1 + over : runs > 0 ? 2 + over : Infinity)
}

/** Whether a setter can reach every value: keys for too few places cannot. */
export const canSet = (setter: Setter, domain: Domain): boolean =>
  setter.how !== 'places' || setter.keys.length >= digitsOf(domain.size - 1, domain).length

const stroke = (key: string, times: number): Stroke => ({ key, times })
const some = (key: string, times: number): Stroke[] => (times === 0 ? [] : [stroke(key, times)])

type Steps = Extract<Setter, { how: 'steps' }>

/** Up or down by single presses and held ones, past an end where the value wraps: whichever is least. */
function steps(setter: Steps, size: number, from: number, to: number): Stroke[] {
  const last = size - 1
  const least = stepPresses(setter, size, from, to)
  const way = (start: number, end: number) => straight(setter, size, start, end)
  const count = (start: number, end: number) => straightPresses(setter, size, start, end)
  if (count(from, to) === least) return way(from, to)
  return count(from, 0) + 1 + count(last, to) === least
    ? [...way(from, 0), stroke(setter.down, 1), ...way(last, to)]
    : [...way(from, last), stroke(setter.up, 1), ...way(0, to)]
}

/** Without passing an end: single presses; or held up to the last fast step before, or the first behind, and the rest single. */
function straight(setter: Steps, size: number, from: number, to: number): Stroke[] {
  const { down, up, fast } = setter
  const distance = Math.abs(to - from)
  const [on, back] = to > from ? [up, down] : [down, up]
  const least = straightPresses(setter, size, from, to)
  if (!fast || least === distance) return some(on, distance)
  const { by, afterMs } = fast
  const sign = to > from ? 1 : -1
  const held = (start: number, runs: number): Stroke => ({
    key: on,
    times: 1,
    holdMs: afterMs,
    runs,
    until: start + sign * runs * by,
  })
  const [runs, rest] = [Math.floor(distance / by), distance % by]
  if (runs > 0 && least === 1 + rest) return [held(from, runs), ...some(on, rest)]
  const over = by - rest
  // Too far, and back: behind it as far as the end allows, the rest before it; else between two holds.
  const [roomBefore, roomBehind] = to > from ? [from, size - 1 - to] : [size - 1 - from, to]
  const before = Math.max(0, over - roomBehind)
  return before <= roomBefore
    ? [...some(back, before), held(from - sign * before, runs + 1), ...some(back, over - before)]
    : [held(from, 1), ...some(back, over), held(from + sign * (by - over), runs)]
}
