import { scaleLinear } from 'd3-scale'
import { STEPS, type DelayTried, type Ridden } from '#core/pedal'

/** A ride as a line of steps: moments in ms across, the heel below. */
export function ridePath(
  { moves, length }: Pick<Ridden, 'moves' | 'length'>,
  width: number,
  height: number,
): string {
  const x = scaleLinear([0, Math.max(1, length)], [0, width])
  const y = scaleLinear([0, STEPS], [height - 2, 3])
  const at = (ms: number, position: number) => `${x(ms).toFixed(1)},${y(position).toFixed(1)}`
  const [first] = moves
  if (!first) return ''
  const parts = moves.map((move, n) =>
    n === 0
      ? `M${at(0, move.position)}`
      : `L${at(move.at, moves[n - 1]!.position)}L${at(move.at, move.position)}`,
  )
  return `${parts.join('')}L${at(length, moves.at(-1)!.position)}`
}

/** What each delay comes to, as two lines over the delays: wrong offs, and how long it was still on. */
export function delayPaths(tried: readonly DelayTried[], width: number, height: number) {
  const x = scaleLinear([0, tried.at(-1)?.delayMs || 1], [0, width])
  const most = (of: (one: DelayTried) => number) => Math.max(1, ...tried.map(of))
  const line = (of: (one: DelayTried) => number) => {
    const y = scaleLinear([0, most(of)], [height - 2, 6])
    return tried
      .map((one, n) => `${n === 0 ? 'M' : 'L'}${x(one.delayMs).toFixed(1)},${y(of(one)).toFixed(1)}`)
      .join('')
  }
  return {
    x,
    wrong: line(({ wrong, missed }) => wrong + missed),
    waiting: line(({ waiting }) => waiting),
    mostWrong: most(({ wrong, missed }) => wrong + missed),
  }
}
