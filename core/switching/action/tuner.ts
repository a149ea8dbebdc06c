import { own } from '../../base/own'
import type { ActionOf } from '../../rig/table/action'
import { highestValue } from '../../rig/table/control'
import { holdsValue } from '../claim'
import { controlSet } from '../controlSends'
import { controlsMeant } from '../phrase/controls'
import { without, type Reading } from '../phrase/phrase'
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
  reads: (rig, { words }) =>
    controlsMeant(rig, words).flatMap(({ control, left, fit }): Reading[] => {
      if (!/tuner|tuning/i.test(`${control.section} ${control.name}`) || control.reading.kind !== 'switch')
        return []
      const does =
        left.length === 0
          ? 'change'
          : without(left, 'on')?.length === 0
            ? 'on'
            : without(left, 'off')?.length === 0
              ? 'off'
              : null
      return does ? [{ action: { kind: 'tuner', controlId: control.id, does }, sureness: fit + 5 }] : []
    }),
}
