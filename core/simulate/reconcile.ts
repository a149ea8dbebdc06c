import { own } from '../base/own'
import { byIndex, type Rig } from '../rig/rig'
import type { FloorState } from './step'

/**
 * The floor after the rig was edited: what it remembers of rows that are gone, or of presets a device
 * no longer has, is forgotten. The same object when all of it still holds.
 */
export function reconcile(rig: Rig, state: FloorState): FloorState {
  const bankId =
    state.bankId !== null && own(rig.banks, state.bankId) ? state.bankId : (byIndex(rig.banks)[0]?.id ?? null)
  const devices = kept(state.devices, (id, { preset }) => {
    const device = own(rig.devices, id)
    return device !== undefined && (preset === null || preset < device.numbering.count)
  })
  const deafUntil = kept(state.deafUntil, (id) => own(rig.devices, id) !== undefined)
  const next = kept(state.next, (id, position) => position < (own(rig.switches, id)?.positions.length ?? 0))
  if (
    bankId === state.bankId &&
    devices === state.devices &&
    next === state.next &&
    deafUntil === state.deafUntil
  )
    return state
  return { ...state, bankId, devices, next, deafUntil }
}

function kept<Value>(
  record: { readonly [id: string]: Value },
  isRight: (id: string, value: Value) => boolean,
): { readonly [id: string]: Value } {
  const right = Object.entries(record).filter(([id, value]) => isRight(id, value))
  return right.length === Object.keys(record).length ? record : Object.fromEntries(right)
}
