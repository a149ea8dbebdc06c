import { own } from '#core/base'
import { type ActionOf, highestValue } from '#core/rig'
import { holdsValue, isOn } from '../claim'
import { controlSet } from '../controlSends'
import { controlsMeant, valueMeant } from '../phrase/controls'
import { onOrOff, without } from '../phrase/phrase'
import { shortControl } from '../panelRows'
import type { ActionDoes } from './actionDoes'
import { firstControl } from '../starting'

/** Goes by what the controller last sent for the control: it does not hear what the device does by itself. */
export const alternateControl: ActionDoes<ActionOf<'alternateControl'>> = {
  starts: (rig) => {
    const control = firstControl(rig)
    return control && { kind: 'alternateControl', controlId: control.id, a: 127, b: 0 }
  },
  asks: (_, { controlId }) => [`values/${controlId}`],
  steps: (rig, { controlId, a, b }, { known }) =>
    controlSet(rig, controlId, own(known.values, controlId) === a ? b : a),
  isLit: (rig, { controlId }, { values }) => {
    const value = own(values, controlId)
    return value !== undefined && isOn(rig, controlId, value)
  },
  claims: (rig, { controlId }) => (holdsValue(rig, controlId) === null ? [] : [{ kind: 'on', controlId }]),
  rows: (rig, { controlId, a, b }) => {
    const to = shortControl(rig, controlId)
    return to && [['alternate', ...to, a, b]]
  },
  sets: 'outright',
  works: ({ controlId, a, b }) => ({ controlId, values: [a, b] }),
  values: ({ a, b }) => [a, b],
  withValues: (action, other) => {
    const [a, b] = [other(action.a), other(action.b)]
    return a === b ? null : { ...action, a, b }
  },
  reads: (rig, { words }) => {
    const said = without(words, 'alternate', 'toggle')
    return controlsMeant(rig, said ?? words).flatMap((meant) => {
      const { control, left, fit } = meant
      const highest = highestValue(control.address)
      const action = (a: number, b: number) => ({
        action: { kind: 'alternateControl' as const, controlId: control.id, a, b },
        sureness: fit + (said ? 4 : 1),
      })
      // "Echo on" is on, also where "on" is a word of the name.
      const isTurn = said !== null || onOrOff(words) === null
      if (control.reading.kind === 'switch' && left.length === 0) return isTurn ? [action(highest, 0)] : []
      if (!said) return []
      // "alternate mix 20 60"
      for (let n = 1; n < left.length; n++) {
        const [a, b] = [valueMeant(meant, left.slice(0, n)), valueMeant(meant, left.slice(n))]
        if (a !== null && b !== null && a !== b) return [action(a, b)]
      }
      return []
    })
  },
}
