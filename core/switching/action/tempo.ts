import type { ActionOf } from '../../rig/table/action'
import { FIRST_TEMPO } from '../known'
import { without } from '../phrase/phrase'
import type { ActionDoes } from './actionDoes'

export const tempo: ActionDoes<ActionOf<'tempo'>> = {
  starts: () => ({ kind: 'tempo', does: 'set', bpm: FIRST_TEMPO }),
  asks: () => ['tempo'],
  steps: (_, { does, bpm }, { known }) => {
    const wanted = does === 'set' ? bpm : (known.tempo ?? FIRST_TEMPO) + bpm
    const to = Math.min(400, Math.max(20, Math.round(wanted * 10) / 10))
    return [{ kind: 'know', learned: { tempo: to, taps: [] } }]
  },
  isLit: (_, { does, bpm }, known) => (does === 'set' ? known.tempo === bpm : null),
  reads: (_, { words }) => {
    const said = without(words, 'tempo', 'bpm')
    const word = said?.length === 1 ? said[0]!.replace(/bpm$/, '').replace(',', '.') : ''
    if (!/^[+-]?\d+(?:\.\d+)?$/.test(word)) return []
    const bpm = Number(word)
    const does = /^[+-]/.test(word) ? 'nudge' : 'set'
    return (does === 'set' ? bpm >= 20 && bpm <= 400 : Math.abs(bpm) <= 100)
      ? [{ action: { kind: 'tempo', does, bpm }, sureness: 6 }]
      : []
  },
}
