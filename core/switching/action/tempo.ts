import { type ActionOf, BPM_LEAST, BPM_MOST } from '#core/rig'
import { FIRST_TEMPO } from '../known'
import { without } from '../phrase/phrase'
import { storedTempo, tempoNow } from '../tempoNow'
import { bpmValue } from '../panelRows'
import type { ActionDoes } from './actionDoes'

/** To a tenth, from 20 to 400. */
const asTempo = (bpm: number): number => Math.min(BPM_MOST, Math.max(BPM_LEAST, Math.round(bpm * 10) / 10))

export const tempo: ActionDoes<ActionOf<'tempo'>> = {
  starts: () => ({ kind: 'tempo', does: 'set', bpm: FIRST_TEMPO }),
  asks: () => ['tempo'],
  steps: (_, { does, bpm }, { known }) => {
    if (does === 'stored') {
      const { stored } = known
      return stored ? [{ kind: 'know', learned: storedTempo(stored.bpm, stored.from) }] : []
    }
    if (does === 'set') return [{ kind: 'know', learned: storedTempo(asTempo(bpm), { kind: 'set' }) }]
    const tempo = asTempo((known.tempo ?? FIRST_TEMPO) + bpm)
    return [{ kind: 'know', learned: { tempo, tempoFrom: { kind: 'nudge' }, taps: [] } }]
  },
  isLit: (_, { does, bpm }, known) =>
    does === 'set' ? tempoNow(known).bpm === bpm && known.tempo !== null : null,
  litBy: 'tempo',
  mayChangeTempo: () => 'tempo',
  rows: (_, { does, bpm }) => [['tempo', ['set', 'nudge', 'stored'].indexOf(does), bpmValue(bpm)]],
  setsTempo: (_, { does, bpm }, { stored }) =>
    does === 'set'
      ? { bpm, by: 'set' }
      : does === 'nudge'
        ? { bpm: null, by: 'nudge' }
        : stored && { bpm: stored.bpm, by: 'stored' },
  reads: (_, { words }) => {
    const said = without(words, 'tempo', 'bpm')
    if (said && ['stored', 'back', 'song'].includes(said.join(' ')))
      return [{ action: { kind: 'tempo', does: 'stored', bpm: 0 }, sureness: 6 }]
    const word = said?.length === 1 ? said[0]!.replace(/bpm$/, '').replace(',', '.') : ''
    if (!/^[+-]?\d+(?:\.\d+)?$/.test(word)) return []
    const bpm = Number(word)
    const does = /^[+-]/.test(word) ? 'nudge' : 'set'
    return (does === 'set' ? bpm >= 20 && bpm <= 400 : Math.abs(bpm) <= 100)
      ? [{ action: { kind: 'tempo', does, bpm }, sureness: 6 }]
      : []
  },
}
