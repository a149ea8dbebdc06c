import { own } from '#core/base'
import { type ActionOf, highestValue, type Control } from '#core/rig'
import { isOn, valueClaims } from '../claim'
import { controlSet } from '../controlSends'
import { furtherValue } from '../furtherValue'
import { controlsMeant, valueMeant, type Meant } from '../phrase/controls'
import { onOrOff, type PhraseReading } from '../phrase/phrase'
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
  sets: 'outright',
  works: ({ controlId, value }) => ({ controlId, values: [value] }),
  further: (rig, action, along) => furtherValue(rig, action, along),
  values: ({ value }) => [value],
  withValues: (action, other) => ({ ...action, value: other(action.value) }),
  reads: (rig, { words, isHold }) =>
    controlsMeant(rig, words).flatMap((meant): PhraseReading[] => {
      const { control, fit, byNumber } = meant
      const value = switchedTo(meant, words, isHold) ?? valueMeant(meant, meant.left)
      if (value === null) return []
      const action = { kind: 'setControl' as const, controlId: control.id, value }
      const back = isHold ? valueBack(control, value) : null
      const release = back === null ? undefined : { ...action, value: back }
      return [{ action, sureness: fit + 3, byNumber, ...(release && { release }) }]
    }),
}

/** "echo on" where "on" is a word of the name, and "hold freeze" where nothing more is said of it. */
function switchedTo({ control, left }: Meant, words: readonly string[], isHold: boolean): number | null {
  if (control.reading.kind !== 'switch' || left.length > 0) return null
  const said = onOrOff(words) ?? (isHold ? 'on' : null)
  return said && (said === 'on' ? highestValue(control.address) : 0)
}

/** What undoes a value as the foot comes off; null where nobody knows what was before. */
function valueBack({ reading, address }: Control, value: number): number | null {
  if (reading.kind === 'switch') return value > 0 ? 0 : highestValue(address)
  return reading.kind === 'toggle' ? reading.value : null
}
