import { type ActionOf, tapMeaning, type Rig, USUAL_SWITCHING } from '#core/rig'
import { own } from '#core/base'
import { readTaps, TAPS_KEPT } from '#core/tempo'
import { controlSends } from '../controlSends'
import { controlsMeant } from '../phrase/controls'
import { without, type PhraseReading } from '../phrase/phrase'
import { stepRows } from '../panelRows'
import type { ActionDoes } from './actionDoes'

/** Tempo from taps, as `readTaps` reads them. */
export const tap: ActionDoes<ActionOf<'tap'>> = {
  starts: () => ({ kind: 'tap', controlId: null }),
  asks: () => ['tempo'],
  steps: (rig, { controlId }, { controller, known, at }) => {
    const last = known.taps.at(-1)
    const forgets = (controller ?? USUAL_SWITCHING).tapForgetsMs * 1000
    const isNew = last === undefined || at - last > forgets || at <= last
    const taps = [...(isNew ? [] : known.taps), at].slice(-TAPS_KEPT)
    const tempo = readTaps(taps)?.bpm ?? null
    return [
      ...tapSends(rig, controlId),
      { kind: 'know', learned: tempo === null ? { taps } : { taps, tempo, tempoFrom: TAPPED } },
    ]
  },
  beats: true,
  fires: true,
  isAlike: () => true,
  mayChangeTempo: () => 'tap',
  rows: (rig, { controlId }, controller) => {
    const also = stepRows(controller, tapSends(rig, controlId))
    return also && [['tap'], ...also]
  },
  setsTempo: () => ({ bpm: null, by: 'tap' }),
  reads: (rig, { words }) => {
    const said = without(words, 'tap', 'tempo')
    if (!said) return []
    const alone: PhraseReading[] =
      said.length === 0 ? [{ action: { kind: 'tap', controlId: null }, sureness: 12 }] : []
    const named = controlsMeant(rig, words).flatMap(({ control, left, fit }): PhraseReading[] =>
      left.length === 0 && tapMeaning(rig, control) === 'tempo' && control.reading.kind !== 'range'
        ? [{ action: { kind: 'tap', controlId: control.id }, sureness: fit + 5 }]
        : [],
    )
    return [...alone, ...named]
  },
}

const TAPPED = { kind: 'tap' } as const

/** The tap as a device hears it. */
function tapSends(rig: Rig, controlId: string | null) {
  const reading = own(rig.controls, controlId ?? '')?.reading
  return controlId === null
    ? []
    : controlSends(rig, controlId, reading && 'value' in reading ? reading.value : 127)
}
