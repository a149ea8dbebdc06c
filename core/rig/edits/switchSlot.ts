import { own } from '../../base/own'
import { change, type Change } from '../edit'
import { perTables } from '../perTables'
import type { Rig } from '../rig'
import type { BankId } from '../table/bank'
import type { Footswitch, SwitchId } from '../table/switch'

/** A footswitch in a bank, programmed or not. `newId` names the row should one be needed. */
export interface SwitchSlot {
  readonly bankId: BankId
  readonly number: number
  readonly newId: SwitchId
}

const bySlot = perTables(
  ['switches'],
  (rig): ReadonlyMap<string, Footswitch> =>
    new Map(Object.values(rig.switches).map((one) => [`${one.bankId}/${one.number}`, one])),
)

export const findSwitch = (rig: Rig, bankId: string, number: number): Footswitch | null =>
  bySlot(rig).get(`${bankId}/${number}`) ?? null

/** The row of a slot, or the blank one it would start as. */
export const switchAt = (rig: Rig, { bankId, number, newId }: SwitchSlot): Footswitch =>
  findSwitch(rig, bankId, number) ?? { id: newId, bankId, number, label: '', positions: [[]], release: [] }

/** Puts a row where it belongs, whether it was there before or not. */
export const putSwitch = (rig: Rig, after: Footswitch): Change =>
  change('switches', after.id, own(rig.switches, after.id) ?? null, after)
