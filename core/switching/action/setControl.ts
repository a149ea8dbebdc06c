import { own } from '../../base/own'
import type { ActionOf } from '../../rig/table/action'
import { highestValue } from '../../rig/table/control'
import { isOn, valueClaims } from '../claim'
import { controlSet } from '../controlSends'
import { controlsMeant, valueMeant } from '../phrase/controls'
import type { ActionDoes } from './actionDoes'
import { firstControl } from '../starting'

export const setControl: ActionDoes<ActionOf<'setControl'>> = {
  starts: (rig) => {
    const control = firstControl(rig)
    return control && { kind: 'setControl', controlId: control.id, value: 0 }
  },
  steps: (rig, { controlId, value }) => controlSet(rig, controlId, value),
  // An "off" that was sent is no reason to shine.
  isLit: (rig, { controlId, value }, { values }) =>
    own(values, controlId) === value && isOn(rig, controlId, value),
  claims: (rig, { controlId, value }) => valueClaims(rig, controlId, value),
  reads: (rig, { words, isHold }) =>
    controlsMeant(rig, words).flatMap(({ control, left, fit }) => {
      const value = valueMeant(control, left)
      if (value === null) return []
      const action = { kind: 'setControl' as const, controlId: control.id, value }
      const back = control.reading.kind === 'switch' ? (value > 0 ? 0 : highestValue(control.address)) : null
      return isHold && back === null
        ? []
        : [{ action, sureness: fit + 3, ...(isHold && { release: { ...action, value: back! } }) }]
    }),
}
