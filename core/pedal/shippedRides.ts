import type { Ridden } from './ride'
import { STEPS } from './sweep'

/** One thing a foot does: to a place in percent of the travel, in so many ms, and how long it stays there. */
interface Part {
  readonly to: number
  readonly in: number
  readonly stay: number
  /** Meant to be off while it stays. */
  readonly off?: true
  /** The toe switch is stepped on as it gets there. */
  readonly toe?: true
}

const move = (to: number, takes: number, stay = 0): Part => ({ to, in: takes, stay })
const rest = (to: number, takes: number, stay: number): Part => ({ to, in: takes, stay, off: true })
const kick = (takes: number, stay = 60): Part => ({ to: 100, in: takes, stay, toe: true })

const TICK = 20

/** A ride from parts: gently from place to place, a reading every 20 ms while it moves. */
function rideOf(parts: readonly Part[]): Ridden {
  const moves: { at: number; position: number }[] = [{ at: 0, position: 0 }]
  const toes: { at: number; isDown: boolean }[] = []
  const meant: { from: number; to: number }[] = []
  let [now, percent] = [0, 0]
  let offSince: number | null = null
  const put = (at: number, share: number) => {
    const position = Math.round((share / 100) * STEPS)
    if (moves.at(-1)!.position !== position) moves.push({ at, position })
  }
  for (const { to, in: takes, stay, off, toe } of parts) {
    for (let at = TICK; at < takes; at += TICK) {
      const way = at / takes
      put(now + at, percent + (to - percent) * way * way * (3 - 2 * way))
    }
    now += takes
    percent = to
    put(now, to)
    if (off) meant.push({ from: now, to: now + stay })
    if (toe) {
      // What the toe switch switched off is meant to be off until it is stepped on again.
      toes.push({ at: now, isDown: true }, { at: now + 40, isDown: false })
      if (offSince === null) offSince = now
      else {
        if (now - offSince > 500) meant.push({ from: offSince, to: now })
        offSince = null
      }
    }
    now += stay
  }
  if (offSince !== null) meant.push({ from: offSince, to: now })
  return { length: now, moves, toes, meant }
}

/** Rides that ship with the app, by what the foot does in them. */
export const SHIPPED_RIDES = {
  /** Swells with short touches of the heel between them, and rests there. */
  swells: rideOf([
    move(80, 900, 200),
    move(0, 700, 180),
    move(95, 1100, 300),
    move(0, 600, 320),
    move(60, 800),
    move(0, 700, 260),
    move(90, 900, 500),
    rest(0, 800, 3200),
    move(70, 900, 100),
    move(0, 500, 410),
    move(100, 1200, 700),
    rest(0, 900, 4000),
    move(50, 700),
    move(0, 500, 150),
    move(85, 700, 200),
    rest(0, 600, 2600),
  ]),
  /** Heel and toe in time, twice a second, with a rest after each phrase. */
  inTime: rideOf([
    ...Array.from({ length: 8 }, () => [move(90, 240, 20), move(0, 240, 60)]).flat(),
    rest(0, 200, 2400),
    ...Array.from({ length: 6 }, () => [move(100, 230, 40), move(0, 230, 140)]).flat(),
    move(40, 300, 200),
    rest(0, 300, 3000),
    ...Array.from({ length: 5 }, () => [move(80, 250, 30), move(0, 250, 90)]).flat(),
    rest(0, 200, 1800),
  ]),
  /** Pushed to the toe and held there, rests at the toe. */
  toToe: rideOf([
    move(100, 500, 380),
    move(30, 600, 100),
    move(100, 500, 540),
    move(20, 700),
    rest(100, 700, 2800),
    move(10, 500, 200),
    move(100, 600, 240),
    move(40, 400, 100),
    rest(100, 600, 3600),
    move(60, 500, 300),
    move(100, 400, 200),
    move(0, 800, 400),
  ]),
  /** A place held in the middle of the travel, and long stands between. */
  held: rideOf([
    move(45, 600, 480),
    move(70, 400, 620),
    move(30, 500, 300),
    rest(55, 400, 3000),
    move(80, 500, 560),
    move(20, 600, 720),
    move(65, 400, 400),
    rest(35, 500, 3500),
    move(90, 600, 300),
    rest(50, 500, 2000),
  ]),
  /** Switched off and on at the toe, once by mistake and straight back. */
  byToe: rideOf([
    move(50, 500, 200),
    move(80, 300, 100),
    kick(300),
    move(40, 400, 2600),
    kick(400),
    move(20, 300, 400),
    move(70, 400),
    kick(200),
    kick(180),
    move(30, 400, 500),
    kick(400),
    move(0, 600, 2400),
    kick(500),
    move(50, 300, 600),
  ]),
} as const satisfies Record<string, Ridden>

/** A ride that comes with the app, by name. */
export type ShippedRide = keyof typeof SHIPPED_RIDES
