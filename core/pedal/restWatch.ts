import type { AutoOff } from '#core/rig'
import { STEPS } from './sweep'

/** A good pedal wavers by one step (common practice): what is more is a foot. */
export const USUAL_NOISE = 1

/** What an automatic bypass has seen so far. Moments in the unit of the caller's clock. */
export interface Watch {
  /** Since when it has been at rest; null while it is not. */
  readonly since: number | null
  /** Where it stands still; for the toe switch whether it is on. */
  readonly anchor: number
}

/** A watch that has seen nothing yet. */
export const FRESH_WATCH: Watch = { since: null, anchor: -STEPS }

/** Whether a pedal at a step is at the end that counts; once there it may waver. */
function isAtEnd(
  { kind, zone }: Pick<AutoOff, 'kind' | 'zone'>,
  position: number,
  wasThere: boolean,
  noise = USUAL_NOISE,
): boolean {
  const reach = Math.round((zone / 100) * STEPS) + (wasThere ? noise : 0)
  return kind === 'toe' ? position >= STEPS - reach : position <= reach
}

/** The watch once the pedal is at a step; the same object when that changes nothing. Standing still begins anew at every move. */
export function watchMove(
  off: AutoOff,
  watch: Watch,
  at: number,
  position: number,
  noise = USUAL_NOISE,
): Watch {
  if (off.kind === 'switch') return watch
  if (off.kind === 'still')
    return watch.since !== null && Math.abs(position - watch.anchor) <= noise
      ? watch
      : { since: at, anchor: position }
  const isThere = isAtEnd(off, position, watch.since !== null, noise)
  if (isThere === (watch.since !== null)) return watch
  return { since: isThere ? at : null, anchor: position }
}

/** The same for its toe switch: one that stays counts as it is, one that springs back turns over at every step on it. */
export function watchToe(off: AutoOff, watch: Watch, at: number, isDown: boolean): Watch {
  if (off.kind !== 'switch') return watch
  const wasOff = watch.since !== null
  const isOff = off.toe === 'latching' ? isDown : isDown ? !wasOff : wasOff
  return isOff === wasOff ? watch : { since: isOff ? at : null, anchor: Number(isOff) }
}
