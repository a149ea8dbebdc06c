import { U7_MAX, type U7 } from '../base/u7'
import type { U14 } from '../base/u14'
import { CONTROLLER } from '../midi/controllers'
import type { ChannelMessage } from '../midi/message'
import { indexOfAddress } from '../rig/numbering/address'
import type { Numbering } from '../rig/numbering/numbering'

/** What a simulated device remembers. */
export interface DeviceState {
  /** The preset it plays, counted from 0; null until one has been recalled. */
  readonly preset: number | null
  /** Bank select heard so far; it takes effect at the next program change. */
  readonly bankMsb: U7
  readonly bankLsb: U7
  /** The program of the last program change that named no preset of the device; null when the last one did. */
  readonly refused: U7 | null
}

export const DEVICE_AT_POWER_ON: DeviceState = {
  preset: null,
  bankMsb: 0 as U7,
  bankLsb: 0 as U7,
  refused: null,
}

/** The device's state after a message it hears; the same object when nothing changed. */
export function receive(numbering: Numbering, state: DeviceState, message: ChannelMessage): DeviceState {
  if (message.kind === 'control') {
    if (message.controller === CONTROLLER.bankSelectMsb)
      return message.value === state.bankMsb ? state : { ...state, bankMsb: message.value }
    if (message.controller === CONTROLLER.bankSelectLsb)
      return message.value === state.bankLsb ? state : { ...state, bankLsb: message.value }
    return state
  }
  if (message.kind !== 'program') return state
  const preset = indexOfAddress(numbering, { bank: selectedBank(numbering, state), program: message.program })
  if (preset === null) return { ...state, refused: message.program }
  return preset === state.preset && state.refused === null ? state : { ...state, preset, refused: null }
}

function selectedBank({ bankSelect }: Numbering, { bankMsb, bankLsb }: DeviceState): U14 {
  const bank = {
    none: 0,
    msb: bankMsb,
    lsb: bankLsb,
    both: bankMsb * (U7_MAX + 1) + bankLsb,
  }[bankSelect]
  return bank as U14
}
