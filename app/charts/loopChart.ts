import { LOOP_STATES, type LoopChart, type LoopGesture, type LoopState } from '#core/rig'

/** Where each state stands on the drawing, as its middle, in px of 560 x 250. */
export const LOOP_SPOTS: Readonly<Record<LoopState, readonly [x: number, y: number]>> = {
  empty: [72, 118],
  recording: [176, 28],
  playing: [384, 28],
  overdubbing: [482, 118],
  stopped: [280, 208],
}
export const LOOP_BOX = { width: 136, height: 38 }

/** One arrow between two states, with what leads along it. */
export interface LoopArrow {
  readonly from: LoopState
  readonly to: LoopState
  readonly path: string
  readonly moves: readonly {
    readonly input: string
    readonly gesture: LoopGesture
    readonly also: string | null
  }[]
}

/** Every way from one state to another once, bent to its left, so that there and back do not lie on each other. */
export function loopArrows(chart: LoopChart): LoopArrow[] {
  return LOOP_STATES.flatMap((from) =>
    LOOP_STATES.flatMap((to): LoopArrow[] => {
      const moves = chart.moves.filter((one) => one.in === from && one.to === to)
      if (moves.length === 0 || from === to) return []
      return [{ from, to, path: arrow(from, to), moves }]
    }),
  )
}

function arrow(from: LoopState, to: LoopState): string {
  const [[ax, ay], [bx, by]] = [LOOP_SPOTS[from], LOOP_SPOTS[to]]
  const length = Math.hypot(bx - ax, by - ay)
  const [ux, uy] = [(bx - ax) / length, (by - ay) / length]
  const bend = 16
  const middle = [(ax + bx) / 2 - uy * bend, (ay + by) / 2 + ux * bend] as const
  const start = edge(ax, ay, middle[0], middle[1])
  const end = edge(bx, by, middle[0], middle[1])
  return `M${start} Q${middle[0].toFixed(1)},${middle[1].toFixed(1)} ${end}`
}

/** Where the line from the middle of a box to a point leaves the box. */
function edge(x: number, y: number, toX: number, toY: number): string {
  const [dx, dy] = [toX - x, toY - y]
  const scale = Math.min(
    (LOOP_BOX.width / 2 + 3) / Math.max(1e-6, Math.abs(dx)),
    (LOOP_BOX.height / 2 + 3) / Math.max(1e-6, Math.abs(dy)),
  )
  return `${(x + dx * scale).toFixed(1)},${(y + dy * scale).toFixed(1)}`
}

/** A stretch of what a looper did, as parts of the last so many seconds. */
export interface LoopStretch {
  readonly state: LoopState
  readonly left: number
  readonly width: number
  readonly seconds: number
}

/** What it did up to now, in % of `span` µs before now. */
export function loopStrip(
  past: readonly { readonly state: LoopState; readonly from: number; readonly to: number }[],
  state: LoopState,
  since: number,
  now: number,
  span: number,
): LoopStretch[] {
  return [...past, { state, from: since, to: now }].flatMap((one): LoopStretch[] => {
    const from = Math.max(one.from, now - span)
    if (one.to <= from) return []
    return [
      {
        state: one.state,
        left: ((from - (now - span)) / span) * 100,
        width: ((one.to - from) / span) * 100,
        seconds: (one.to - one.from) / 1e6,
      },
    ]
  })
}
