import { own } from '#core/base'
import { type ActionOf, highestValue } from '#core/rig'
import { holdsValue } from '../claim'
import { controlSet } from '../controlSends'
import { controlsMeant } from '../phrase/controls'
import { onOrOff, type PhraseReading } from '../phrase/phrase'
import { shortControl } from '../panelRows'
import type { ActionDoes } from './actionDoes'
import { firstControl } from '../starting'

export const tuner: ActionDoes<ActionOf<'tuner'>> = {
  starts: (rig) => {
    const control = firstControl(rig, ({ name, reading }) => /tun/i.test(name) && reading.kind === 'switch')
    return control && { kind: 'tuner', controlId: control.id, does: 'change' }
  },
  asks: (_, { does }) => (does === 'change' ? ['tuner'] : []),
  steps: (rig, { controlId, does }, { known }) => {
    const control = own(rig.controls, controlId)
    if (!control) return []
    const isOn = does === 'change' ? !known.tuner : does === 'on'
    const sent = controlSet(rig, controlId, isOn ? highestValue(control.address) : 0)
    return sent.length === 0 ? [] : [...sent, { kind: 'know', learned: { tuner: isOn } }]
  },
  isLit: (_, __, known) => known.tuner,
  claims: (rig, { controlId }) => (holdsValue(rig, controlId) === null ? [] : [{ kind: 'on', controlId }]),
  litBy: 'tuner',
  rows: (rig, { controlId, does }) => {
    if (does !== 'change') return 'sent'
    const to = shortControl(rig, controlId)
    return to && [['alternate', ...to, 127, 0]]
  },
  reads: (rig, { words, isHold }) =>
    controlsMeant(rig, words).flatMap(({ control, left, fit }): PhraseReading[] => {
      if (!/tuner|tuning/i.test(`${control.section} ${control.name}`) || control.reading.kind !== 'switch')
        return []
      const said = onOrOff(words)
      if (left.some((word) => word !== said)) return []
      const of = (does: ActionOf<'tuner'>['does']) => ({
        kind: 'tuner' as const,
        controlId: control.id,
        does,
      })
      return isHold
        ? [{ action: of(said ?? 'on'), release: of(said === 'off' ? 'on' : 'off'), sureness: fit + 5 }]
        : [{ action: of(said ?? 'change'), sureness: fit + 5 }]
    }),
}
