import type { AutoOff, Ride } from '#core/rig'
import { FRESH_WATCH, USUAL_NOISE, watchMove, watchToe, type Watch } from './restWatch'

/** What of a ride decides when it is off; moments in ms. */
export type Ridden = Pick<Ride, 'length' | 'moves' | 'toes' | 'meant'>

/** From a moment up to another, in ms. */
export interface Stretch {
  readonly from: number
  readonly to: number
}

/** The stretches of a ride in which it was at rest, as an automatic bypass of that kind sees it, whatever its delay. */
export function restsOf(off: AutoOff, ride: Ridden, noise = USUAL_NOISE): Stretch[] {
  const rests: Stretch[] = []
  let watch: Watch = FRESH_WATCH
  const take = (at: number, next: Watch) => {
    if (next === watch) return
    if (watch.since !== null && at > watch.since) rests.push({ from: watch.since, to: at })
    watch = next
  }
  let [m, t] = [0, 0]
  while (m < ride.moves.length || t < ride.toes.length) {
    const [move, toe] = [ride.moves[m], ride.toes[t]]
    if (move && (!toe || move.at <= toe.at)) {
      take(move.at, watchMove(off, watch, move.at, move.position, noise))
      m++
    } else if (toe) {
      take(toe.at, watchToe(off, watch, toe.at, toe.isDown))
      t++
    }
  }
  if (watch.since !== null && ride.length > watch.since) rests.push({ from: watch.since, to: ride.length })
  return rests
}

/** When it is off: each rest from the delay on. One exactly as long as the delay is over as it counts. */
export const offsOf = (rests: readonly Stretch[], delayMs: number): Stretch[] =>
  rests.flatMap(({ from, to }) => (to - from > delayMs ? [{ from: from + delayMs, to }] : []))

/** Going off is right where it was meant to be off by then; else it cuts into the playing. */
export const isMeant = ({ meant }: Pick<Ridden, 'meant'>, { from }: Stretch): boolean =>
  meant.some((one) => one.from <= from && from < one.to)
