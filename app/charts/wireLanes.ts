import { ticks } from 'd3-array'

/** One message to draw; times in µs. */
export interface LaneInput {
  readonly lane: string
  readonly start: number
  readonly end: number
  readonly text: string
  readonly tone: string
}

export interface Bar extends LaneInput {
  readonly x: number
  readonly width: number
  /** Whether its text fits inside. */
  readonly hasText: boolean
}

export interface WireLane {
  readonly name: string
  readonly bars: readonly Bar[]
  /** What bars too short for their text say, beside them where there is room; null where all have theirs inside. */
  readonly aside: { readonly x: number; readonly isBefore: boolean; readonly text: string } | null
}

export interface WireLanes {
  readonly lanes: readonly WireLane[]
  readonly ticks: readonly { readonly x: number; readonly text: string }[]
}

/** Width of a letter of the bar's text, in px. */
const LETTER = 6.6

/** Between a bar and the words beside it, in px. */
const GAP = 5

/** Room for one time, in px. */
const TICK = 80

/**
 * Lays messages out on a true time axis `width` px long that begins with the first of them: one lane
 * per name, in order of first appearance.
 */
export function wireLanes(inputs: readonly LaneInput[], width: number): WireLanes {
  const from = inputs[0]?.start ?? 0
  const to = inputs.at(-1)?.end ?? from
  const length = Math.max(to - from, 1)
  // The first step waits for this: d3-scale would bring colours and formats along.
  const scale = (after: number) => (after / length) * Math.max(width, 1)
  const lanes = new Map<string, Bar[]>()
  for (const input of inputs) {
    const x = scale(input.start - from)
    const barWidth = Math.max(scale(input.end - from) - x, 1)
    const bar = { ...input, x, width: barWidth, hasText: input.text.length * LETTER + 8 <= barWidth }
    const lane = lanes.get(input.lane)
    if (lane) lane.push(bar)
    else lanes.set(input.lane, [bar])
  }
  return {
    lanes: Array.from(lanes, ([name, bars]) => ({ name, bars, aside: asideOf(bars, width) })),
    ticks: ticks(0, length, Math.max(1, Math.min(4, Math.floor(width / TICK)))).map((tick) => ({
      x: scale(tick),
      text: `${tick / 1000} ms`,
    })),
  }
}

/** Puts the words of short bars behind the last bar of their lane, or before the first; cut where neither side has the room. */
function asideOf(bars: readonly Bar[], width: number): WireLane['aside'] {
  const words = bars.flatMap(({ hasText, text }) => (hasText ? [] : [text]))
  if (words.length === 0) return null
  const [first, last] = [bars[0]!, bars.at(-1)!]
  const behind = width - (last.x + last.width) - GAP
  const before = first.x - GAP
  const isBefore = behind < words.join(', ').length * LETTER && before > behind
  const room = Math.floor(Math.max(behind, before) / LETTER)
  const whole = words.join(', ')
  const text = whole.length <= room ? whole : room < 3 ? '' : `${whole.slice(0, room - 1)}…`
  return text === '' ? null : { x: isBefore ? first.x - GAP : last.x + last.width + GAP, isBefore, text }
}
