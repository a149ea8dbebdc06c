import { type Channel, requireIntegerBetween, requireU14, splitU14, type U14, type U7 } from '#core/base'
import { controlChange, programChange, type ChannelMessage, CONTROLLER } from '#core/midi'
import type { BankSelect, Numbering } from './numbering'

/** What is sent for a preset: the bank of bank select, 0-16,383, and the program, 0-127. */
export interface Address {
  readonly bank: U14
  readonly program: U7
}

/** Throws RangeError when `index` is not from 0 to `count` - 1. {@link indexOfAddress} is the inverse. */
export function addressOf({ count, programsPerBank }: Numbering, index: number): Address {
  requireIntegerBetween('A preset index', index, 0, count - 1)
  return {
    bank: requireU14(Math.floor(index / programsPerBank)),
    program: (index % programsPerBank) as U7,
  }
}

/** The preset at an address, or null when the device has none there. */
export function indexOfAddress(
  { count, programsPerBank }: Numbering,
  { bank, program }: Address,
): number | null {
  if (program >= programsPerBank) return null
  const index = bank * programsPerBank + program
  return index < count ? index : null
}

/**
 * The messages that recall a preset: CC 0, then CC 32, then the program change, in that order; the
 * bank takes effect at the program change (M1 v4.2.1, "Bank Select"). A device that obeys one of the
 * two controllers gets only that one.
 */
export function recallMessages(numbering: Numbering, channel: Channel, index: number): ChannelMessage[] {
  const { bank, program } = addressOf(numbering, index)
  return [
    ...bankSelectValues(numbering.bankSelect, bank).map(([controller, value]) =>
      controlChange(channel, controller, value),
    ),
    programChange(channel, program),
  ]
}

function bankSelectValues(bankSelect: BankSelect, bank: U14): [controller: U7, value: U7][] {
  const { msb, lsb } = splitU14(bank)
  switch (bankSelect) {
    case 'none':
      return []
    case 'msb':
      return [[CONTROLLER.bankSelectMsb, lsb]]
    case 'lsb':
      return [[CONTROLLER.bankSelectLsb, lsb]]
    case 'both':
      return [
        [CONTROLLER.bankSelectMsb, msb],
        [CONTROLLER.bankSelectLsb, lsb],
      ]
  }
}
