import { own } from '#core/base'
import { type Rig, type Action, highestValue } from '#core/rig'
import type { Along } from './action/actionDoes'

type Valued = Extract<Action, { readonly controlId: string; readonly value: number }>

/** A value of a control moved on in a series: by names where it has names, else by ones; null beyond the last. */
export function furtherValue<One extends Valued>(rig: Rig, action: One, { series, n }: Along): One | null {
  if (series !== 'value') return action
  const control = own(rig.controls, action.controlId)
  if (!control) return null
  if (control.reading.kind !== 'named')
    return action.value + n > highestValue(control.address) ? null : { ...action, value: action.value + n }
  const names = control.reading.names.toSorted((a, b) => a.value - b.value)
  const next = names[names.findLastIndex(({ value }) => value <= action.value) + n]
  return next ? { ...action, value: next.value } : null
}
