import type { ActionOf } from '../../rig/table/action'
import { own } from '../../base/own'
import { controlSends } from '../controlSends'
import { controlsMeant } from '../phrase/controls'
import { without, type Reading } from '../phrase/phrase'
import type { ActionDoes } from './actionDoes'

/** Taps further apart than this begin anew, in µs (common practice: 2 s). */
const FORGETS = 2_000_000
/** The mean is of so many intervals at most. */
const INTERVALS = 4

/** Tempo from taps: 60 000 / mean interval, to a tenth. */
export const tap: ActionDoes<ActionOf<'tap'>> = {
  starts: () => ({ kind: 'tap', controlId: null }),
  asks: () => ['tempo'],
  steps: (rig, { controlId }, { known, at }) => {
    const last = known.taps.at(-1)
    const isNew = last === undefined || at - last > FORGETS || at <= last
    const taps = [...(isNew ? [] : known.taps), at].slice(-INTERVALS - 1)
    const tempo = tappedTempo(taps)
    const control = own(rig.controls, controlId ?? '')
    const value = control && 'value' in control.reading ? control.reading.value : 127
    return [
      ...(controlId === null ? [] : controlSends(rig, controlId, value)),
      { kind: 'know', learned: tempo === null ? { taps } : { taps, tempo } },
    ]
  },
  reads: (rig, { words }) => {
    const said = without(words, 'tap', 'tempo')
    if (!said) return []
    const alone: Reading[] =
      said.length === 0 ? [{ action: { kind: 'tap', controlId: null }, sureness: 12 }] : []
    const named = controlsMeant(rig, words).flatMap(({ control, left, fit }): Reading[] =>
      left.length === 0 && /tap/i.test(control.name) && control.reading.kind !== 'range'
        ? [{ action: { kind: 'tap', controlId: control.id }, sureness: fit + 5 }]
        : [],
    )
    return [...alone, ...named]
  },
}

/** Beats a minute of tap times in µs, to a tenth and from 20 to 400; null of fewer than two. */
export function tappedTempo(taps: readonly number[]): number | null {
  if (taps.length < 2) return null
  const mean = (taps.at(-1)! - taps[0]!) / (taps.length - 1)
  return Math.min(400, Math.max(20, Math.round(600_000_000 / mean) / 10))
}
