import { own } from '#core/base'
import { change, type Change, type Edit } from '../edit'
import { byIndex, type Rig } from '../rig'
import type { Bank, BankId } from '../table/bank'
import type { SoundId } from '../table/sound'
import { BLANK_SWITCH, type Footswitch, type SwitchId } from '../table/switch'
import { removeRows } from './removeRow'
import { putSwitch, switchAt, type SwitchSlot } from './switchSlot'

/** What a row is apart from where it stands. */
const placeOf = ({ id, bankId, number, jack, layer }: Footswitch) => ({ id, bankId, number, jack, layer })

/** Moves a switch to another place, with all that names it; what was there goes. Null when it would stay. */
export function moveSwitch(rig: Rig, from: SwitchId, to: SwitchSlot): Edit | null {
  const source = own(rig.switches, from)
  const there = switchAt(rig, to)
  if (!source || there.id === source.id) return null
  const moved = { ...source, ...placeOf(there), id: source.id }
  const gone = clearSwitches(rig, [there.id])
  return {
    label: 'moveSwitch',
    changes: [...(gone?.changes ?? []), change('switches', source.id, source, moved)],
  }
}

/** What two switches do changes places. Null where one of them is missing or both are one. */
export function swapSwitches(rig: Rig, from: SwitchId, to: SwitchSlot): Edit | null {
  const source = own(rig.switches, from)
  const there = switchAt(rig, to)
  if (!source || there.id === source.id) return null
  if (!own(rig.switches, there.id)) return moveSwitch(rig, from, to)
  return {
    label: 'swapSwitches',
    changes: [
      putSwitch(rig, { ...there, ...placeOf(source) }),
      putSwitch(rig, { ...source, ...placeOf(there) }),
    ],
  }
}

/** Puts sounds on places, one each, over what is there. Null without any. */
export function fillBank(rig: Rig, slots: readonly SwitchSlot[], sounds: readonly SoundId[]): Edit | null {
  const changes = slots.slice(0, sounds.length).map((slot, n): Change => {
    const { id, bankId, number, jack, layer, everywhere } = switchAt(rig, slot)
    return putSwitch(rig, {
      ...BLANK_SWITCH,
      id,
      bankId,
      number,
      jack,
      layer,
      everywhere,
      positions: [[{ kind: 'recallSound', soundId: sounds[n]! }]],
    })
  })
  return changes.length === 0 ? null : { label: 'fillBank', changes }
}

/** Changes several switches in the same way, in one edit. Null when none changes. */
export function changeSwitches(
  rig: Rig,
  slots: readonly SwitchSlot[],
  alter: (one: Footswitch) => Footswitch,
): Edit | null {
  const changes = slots.flatMap((slot): Change[] => {
    const before = switchAt(rig, slot)
    const after = alter(before)
    return JSON.stringify(after) === JSON.stringify(before) ? [] : [putSwitch(rig, after)]
  })
  return changes.length === 0 ? null : { label: 'changeSwitches', changes }
}

/** Takes rows away. Null when there are none. */
export const clearSwitches = (rig: Rig, ids: readonly string[]): Edit | null =>
  removeRows(rig, 'clearSwitches', 'switches', ids)

const ofBank = (rig: Rig, bankId: string): Footswitch[] =>
  Object.values(rig.switches).filter((one) => one.bankId === bankId)

/** Takes all from the switches of a bank; null where there is nothing. */
export const clearBank = (rig: Rig, bankId: BankId): Edit | null => {
  const edit = clearSwitches(
    rig,
    ofBank(rig, bankId).map(({ id }) => id),
  )
  return edit && { ...edit, label: 'clearBank' }
}

/** Makes one bank do what another does, over what it did. `newId` names the rows. Null when both are one. */
export function copyBank(rig: Rig, from: BankId, to: BankId, newId: () => SwitchId): Edit | null {
  const [source, target] = [own(rig.banks, from), own(rig.banks, to)]
  if (!source || !target || from === to) return null
  const gone = clearSwitches(
    rig,
    ofBank(rig, to).map(({ id }) => id),
  )
  const made = ofBank(rig, from).map((one): Change => {
    // What stands everywhere stands in the copy already.
    const row = { ...one, id: newId(), bankId: to, everywhere: false }
    return change('switches', row.id, null, row)
  })
  const bank: Bank = { ...target, enter: source.enter, leave: source.leave, colour: source.colour }
  const banks = JSON.stringify(bank) === JSON.stringify(target) ? [] : [change('banks', to, target, bank)]
  const changes = [...(gone?.changes ?? []), ...banks, ...made]
  return changes.length === 0 ? null : { label: 'copyBank', changes }
}

/** Two banks change places: their numbers, nothing else. Null when there is nothing to change. */
export function swapBanks(rig: Rig, a: BankId, b: BankId): Edit | null {
  const [one, other] = [own(rig.banks, a), own(rig.banks, b)]
  if (!one || !other || a === b || one.controllerId !== other.controllerId) return null
  return {
    label: 'swapBanks',
    changes: [
      change('banks', a, one, { ...one, index: other.index }),
      change('banks', b, other, { ...other, index: one.index }),
    ],
  }
}

/** Puts a bank before or behind its neighbours: those between move up by one. Null where it would stay. */
export function moveBank(rig: Rig, bankId: BankId, by: number): Edit | null {
  const bank = own(rig.banks, bankId)
  if (!bank) return null
  const ours = byIndex(rig.banks).filter(({ controllerId }) => controllerId === bank.controllerId)
  const from = ours.indexOf(bank)
  const to = Math.min(ours.length - 1, Math.max(0, from + by))
  if (to === from) return null
  const order = ours.toSpliced(from, 1).toSpliced(to, 0, bank)
  const changes = order.flatMap((one, n): Change[] => {
    const { index } = ours[n]!
    return index === one.index ? [] : [change('banks', one.id, one, { ...one, index })]
  })
  return { label: 'moveBank', changes }
}
