import { own } from '#core/base'
import { change, type Change } from '../edit'
import { perTables } from '../perTables'
import type { Rig } from '../rig'
import type { BankId } from '../table/bank'
import { BLANK_SWITCH, type Footswitch, type Layer, type SwitchId } from '../table/switch'

/** A footswitch in a bank, programmed or not. `newId` names the row should one be needed. */
export interface SwitchSlot {
  readonly bankId: BankId
  readonly number: number
  /** The controller's own unless said otherwise. */
  readonly jack?: string
  readonly layer?: Layer
  readonly newId: SwitchId
}

/** Names a place of a bank: the same for whatever lies there. */
export const slotKey = (
  bankId: string,
  { number, jack = '', layer = 'base' }: Pick<SwitchSlot, 'number' | 'jack' | 'layer'>,
): string => `${bankId}/${layer}/${jack}/${number}`

const bySlot = perTables(
  ['switches'],
  (rig): ReadonlyMap<string, Footswitch> =>
    new Map(Object.values(rig.switches).map((one) => [slotKey(one.bankId, one), one])),
)

/** The switch at a place of a bank; null where none is programmed. */
export const findSwitch = (
  rig: Rig,
  bankId: string,
  number: number,
  place: Pick<SwitchSlot, 'jack' | 'layer'> = {},
): Footswitch | null => bySlot(rig).get(slotKey(bankId, { number, ...place })) ?? null

/** The row of a slot, or the blank one it would start as. */
export const switchAt = (rig: Rig, slot: SwitchSlot): Footswitch => {
  const { bankId, number, jack = '', layer = 'base', newId } = slot
  return findSwitch(rig, bankId, number, slot) ?? { ...BLANK_SWITCH, id: newId, bankId, number, jack, layer }
}

/** Puts a row where it belongs, whether it was there before or not. */
export const putSwitch = (rig: Rig, after: Footswitch): Change =>
  change('switches', after.id, own(rig.switches, after.id) ?? null, after)
