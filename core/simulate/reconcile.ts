import { own } from '#core/base'
import { type Rig, placeKept } from '#core/rig'
import { type Known, tempoAfterEdit } from '#core/switching'
import { firstBank, type FloorState } from './floor'

/**
 * The floor after the rig was edited: what it remembers of rows that are gone, or of presets a device
 * no longer has, is forgotten. The same object when all of it still holds.
 */
export function reconcile(rig: Rig, state: FloorState): FloorState {
  const { known } = state
  const bankId = known.bankId !== null && own(rig.banks, known.bankId) ? known.bankId : firstBank(rig)
  const devices = kept(state.devices, (id, { preset }) => {
    const device = own(rig.devices, id)
    return device !== undefined && (preset === null || preset < device.numbering.count)
  })
  const off = kept(state.off, (id) => own(rig.devices, id) !== undefined)
  const deafUntil = kept(state.deafUntil, (id) => own(rig.devices, id) !== undefined)
  const pedals = kept(state.pedals, (id) => own(rig.pedals, id) !== undefined)
  const isPosition = (id: string, position: number) =>
    position < (own(rig.switches, id)?.positions.length ?? 0)
  const after: Known = {
    ...known,
    bankId,
    next: kept(known.next, isPosition),
    done: kept(known.done, isPosition),
    presets: kept(known.presets, (id, preset) => preset < (own(rig.devices, id)?.numbering.count ?? 0)),
    values: kept(known.values, (id) => own(rig.controls, id) !== undefined),
    contacts: kept(known.contacts, (key) => own(rig.devices, key.split('/')[0]!) !== undefined),
    sound: known.sound !== null && own(rig.sounds, known.sound) ? known.sound : null,
    showAt: placeKept(rig, known.showAt),
    ...tempoAfterEdit(rig, { ...known, bankId }),
    // A foot whose switch is gone holds no layer.
    ...(known.heldBy !== null && !own(rig.switches, known.heldBy) && { layer: 'base', heldBy: null }),
  }
  const isSame = (Object.keys(after) as (keyof Known)[]).every((field) => after[field] === known[field])
  const isStill =
    devices === state.devices && deafUntil === state.deafUntil && off === state.off && pedals === state.pedals
  if (isSame && isStill) return state
  return { ...state, known: isSame ? known : after, devices, deafUntil, off, pedals }
}

function kept<Value>(
  record: { readonly [id: string]: Value },
  isRight: (id: string, value: Value) => boolean,
): { readonly [id: string]: Value } {
  const right = Object.entries(record).filter(([id, value]) => isRight(id, value))
  return right.length === Object.keys(record).length ? record : Object.fromEntries(right)
}
