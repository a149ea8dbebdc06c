import { seeded } from '#core/base'
import { STEPS } from '../sweep'

/** Simulated pedals, by what is wrong with them. */
export const SIMULATED_PEDALS = ['good', 'stopsShort', 'swapped', 'noisy', 'sticky', 'deadSpot'] as const
/** One of {@link SIMULATED_PEDALS}. */
export type SimulatedKind = (typeof SIMULATED_PEDALS)[number]

/** A pedal that ships with the app: where the foot is (0 heel - 1 toe) to what a jack reads, in steps of 127. */
export interface SimulatedPedal {
  /** Time goes on from call to call; `at` in ms. */
  readonly read: (foot: number, at: number) => number
}

/** Each is built anew from its seed: two of one kind differ as two of one model do. */
export function simulatedPedal(kind: SimulatedKind, seed: number): SimulatedPedal {
  const random = seeded(seed)
  const from = (least: number, most: number) => least + (most - least) * random()
  // The last 2-5 % at each end often reads nothing (common practice).
  const [deadHeel, deadToe] = [from(0.005, 0.04), from(0.005, 0.04)]
  const [low, high] = endsOf(kind, from)
  const noise = kind === 'noisy' ? from(3, 8) : from(0, 0.9)
  const stuck = { width: from(8, 16), held: 0, freeUntil: 0, isFree: false }
  const middle = from(0.25, 0.75)
  const spot = { from: middle - from(0.04, 0.08), to: middle + from(0.04, 0.08) }
  const dropsTo = [null, 0, STEPS][Math.floor(from(0, 3))]!
  let held = low
  return {
    read: (foot, at) => {
      const way = Math.min(1, Math.max(0, (foot - deadHeel) / (1 - deadHeel - deadToe)))
      let reading = low + (high - low) * way
      if (kind === 'sticky') {
        const away = Math.abs(reading - stuck.held)
        if (!stuck.isFree && away > stuck.width) {
          stuck.isFree = true
          stuck.freeUntil = at + from(50, 350)
        }
        if (stuck.isFree && at > stuck.freeUntil) stuck.isFree = false
        if (stuck.isFree) stuck.held = reading
        reading = stuck.held
      }
      if (kind === 'deadSpot') {
        const isIn = foot > spot.from && foot < spot.to
        if (!isIn) held = reading
        else reading = dropsTo ?? held
      }
      const wavers = (random() * 2 - 1) * noise
      return Math.min(STEPS, Math.max(0, Math.round(reading + wavers)))
    },
  }
}

type Between = (least: number, most: number) => number

function endsOf(kind: SimulatedKind, from: Between): readonly [number, number] {
  const [low, high] = [from(0, 4), STEPS - from(0, 4)]
  if (kind === 'swapped') return [high, low]
  if (kind !== 'stopsShort') return [low, high]
  const which = Math.floor(from(0, 3))
  return [which === 1 ? low : from(12, 40), which === 0 ? high : STEPS - from(12, 40)]
}
