import type { Control, Ends, Target } from '#core/rig'
import { arrivesAt, fullEnds } from './sweep'

/** Which end keeps to a range: the controller, which then sends only that, or the device, which is sent everything. */
export const rangeKeptAt = ({ device, number }: Pick<Target, 'device' | 'number'>): 'controller' | 'device' =>
  device !== null || number !== null ? 'device' : 'controller'

/**
 * The range a player means a target to have, in values of its control. Of a pedal in the device's own jack (`isLocal`) nothing
 * is sent, so there is one range only: what plays with the foot at either end.
 */
export function rangeOf(target: Target, control: Control, isLocal: boolean): Ends {
  if (isLocal)
    return {
      heel: arrivesAt(target, control, target.sends.heel),
      toe: arrivesAt(target, control, target.sends.toe),
    }
  return rangeKeptAt(target) === 'device' ? (target.device ?? fullEnds(control)) : target.sends
}

/** The fields that give a target another range, at the end that keeps to it; in the device's own jack they hold it once. */
export function withRange(target: Target, range: Ends, isLocal: boolean): Partial<Target> {
  if (isLocal) return { number: null, sends: range, device: null }
  return rangeKeptAt(target) === 'device' ? { device: range } : { sends: range }
}
