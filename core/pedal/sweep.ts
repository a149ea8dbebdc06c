import { requireIntegerBetween } from '#core/base'
import { highestValue, type Control, type Ends, type Target } from '#core/rig'
import { curveAt, shareFor } from './curve'

/** A pedal is read in 128 steps: 0 at the heel, 127 at the toe. */
export const STEPS = 127

/** Share of the way through the part of the travel a target follows, 0 before it and 1 behind it. */
const shareOf = ({ from, to }: Pick<Target, 'from' | 'to'>, position: number): number =>
  Math.min(1, Math.max(0, ((position / STEPS) * 100 - from) / (to - from)))

/** The value sent with the pedal at a step: between what is sent at the ends, rounded to the nearest. Throws RangeError outside 0-127. */
export function sentAt(target: Target, position: number): number {
  requireIntegerBetween('The place of a pedal', position, 0, STEPS)
  const { heel, toe } = target.sends
  return Math.round(heel + (toe - heel) * curveAt(target.curve, shareOf(target, position)))
}

/**
 * The first step of the pedal, from the heel, whose value is the nearest to `value`. As far as steps differ in what is
 * sent it is the inverse of {@link sentAt}.
 */
export function positionFor(target: Target, value: number): number {
  const { heel, toe } = target.sends
  const range = heel === toe ? 0 : (value - heel) / (toe - heel)
  const share = shareFor(target.curve, Math.min(1, Math.max(0, range)))
  const guess =
    share === null ? 0 : Math.round(((target.from + share * (target.to - target.from)) / 100) * STEPS)
  // Values and steps are both rounded: what comes out is looked for from there, and else over all.
  const error = (position: number) => Math.abs(sentAt(target, position) - value)
  let best = Math.min(STEPS, guess)
  for (let position = 0; position <= STEPS; position++)
    if (error(position) < error(best) || (error(position) === error(best) && position < best)) best = position
  return best
}

/** The highest value a target can be sent: of its own number 127, else of its control's. */
export const highestSent = (target: Pick<Target, 'number'>, control: Pick<Control, 'address'>): number =>
  target.number === null ? highestValue(control.address) : STEPS

/**
 * What a device makes of a value it is sent for a pedal: told to keep to a range it spreads all there is over that,
 * else it takes the value as it is; spread over its own where the pedal has a number of its own. As the control's value, rounded.
 */
export function arrivesAt(target: Pick<Target, 'number' | 'device'>, control: Control, sent: number): number {
  const highest = highestValue(control.address)
  const full = fullEnds(control)
  if (target.device === null && target.number === null) return sent
  const { heel, toe } = target.device ?? full
  return Math.min(highest, Math.round(heel + ((toe - heel) * sent) / highestSent(target, control)))
}

/** The value a control plays with the pedal at a step; beyond its range a device holds at the end. */
export function playsAt(target: Target, control: Control, position: number): number {
  const { heel, toe } = fullEnds(control)
  return Math.min(toe, Math.max(heel, arrivesAt(target, control, sentAt(target, position))))
}

/** The values that stand for all a control can do. */
export const fullEnds = ({ reading, address }: Pick<Control, 'reading' | 'address'>): Ends =>
  reading.kind === 'range' ? { heel: reading.from, toe: reading.to } : { heel: 0, toe: highestValue(address) }

/** Share of the way between the ends of a control that is left of it, at the controller and at the device. */
export interface Narrowing {
  readonly controller: number
  readonly device: number
  /** What is left of the range when the foot has gone all the way. */
  readonly arrives: number
}

/** How much of a control a target reaches, of all its device can do. */
export function narrowing(target: Target, control: Control): Narrowing {
  const full = fullEnds(control)
  const whole = full.toe - full.heel
  const sendable = target.number === null && target.device === null ? whole : highestSent(target, control)
  const { heel, toe } = target.sends
  return {
    controller: Math.min(1, Math.abs(toe - heel) / sendable),
    device:
      target.device === null ? 1 : Math.min(1, Math.abs(target.device.toe - target.device.heel) / whole),
    arrives: Math.min(
      1,
      Math.abs(arrivesAt(target, control, toe) - arrivesAt(target, control, heel)) / whole,
    ),
  }
}

/** Both ends keep part of the range back: the sweep shrinks twice (common practice: one end full is right). */
export function isNarrowedTwice(target: Target, control: Control): boolean {
  const { controller, device } = narrowing(target, control)
  return controller < 0.995 && device < 0.995
}
