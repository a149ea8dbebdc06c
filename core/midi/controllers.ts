import type { U7 } from '#core/base'
import type { MidiMessage } from './message'

/** Controller numbers with a fixed meaning that this project uses (M1 v4.2.1, table III). */
export const CONTROLLER = {
  bankSelectMsb: 0 as U7,
  dataEntryMsb: 6 as U7,
  bankSelectLsb: 32 as U7,
  dataEntryLsb: 38 as U7,
  dataIncrement: 96 as U7,
  dataDecrement: 97 as U7,
  nrpnLsb: 98 as U7,
  nrpnMsb: 99 as U7,
  rpnLsb: 100 as U7,
  rpnMsb: 101 as U7,
  /** From here on channel mode messages: all sound off to poly on. Never free for a parameter. */
  firstMode: 120 as U7,
} as const

const BANK_SELECT: readonly number[] = [CONTROLLER.bankSelectMsb, CONTROLLER.bankSelectLsb]

/** Which half of a bank a message selects: CC 0 the upper one, CC 32 the lower (M1 v4.2.1, "Bank Select"); null for any other message. */
export function bankHalf(message: MidiMessage): 'msb' | 'lsb' | null {
  if (message.kind !== 'control' || !BANK_SELECT.includes(message.controller)) return null
  return message.controller === CONTROLLER.bankSelectMsb ? 'msb' : 'lsb'
}

const PARAMETER_NUMBERS: readonly number[] = [
  CONTROLLER.dataEntryMsb,
  CONTROLLER.dataEntryLsb,
  CONTROLLER.dataIncrement,
  CONTROLLER.dataDecrement,
  CONTROLLER.nrpnLsb,
  CONTROLLER.nrpnMsb,
  CONTROLLER.rpnLsb,
  CONTROLLER.rpnMsb,
]

/** Why the standard keeps a controller number for something else; null when a parameter may have it. */
export function reservedFor(number: number): 'mode' | 'bankSelect' | 'parameterNumbers' | null {
  if (number >= CONTROLLER.firstMode) return 'mode'
  if (BANK_SELECT.includes(number)) return 'bankSelect'
  return PARAMETER_NUMBERS.includes(number) ? 'parameterNumbers' : null
}
