import { own } from '#core/base'
import type { ActionOf, Rig } from '#core/rig'
import { ownLine, type ActionText } from './actionText'

const TO = {
  next: 'next',
  previous: 'previous',
  back: 'back to the one before',
  home: 'home',
  page: 'next page',
} as const

const SHORT = {
  next: 'next bank',
  previous: 'previous bank',
  back: 'back to the bank before',
  home: 'home bank',
  page: 'next page',
} as const

export const travel: ActionText<ActionOf<'travel'>> = {
  name: 'Go to bank',
  lines: (rig, { to, bankId }) => ownLine('Bank', to === 'bank' ? bankText(rig, bankId ?? '') : TO[to]),
  short: (rig, { to, bankId }) =>
    to === 'bank' ? `to ${own(rig.banks, bankId ?? '')?.name || 'another bank'}` : SHORT[to],
}

/** "3 Undertow", as the controller counts. */
export function bankText(rig: Rig, bankId: string): string {
  const bank = own(rig.banks, bankId)
  if (!bank) return 'that is gone'
  return `${bank.index + (own(rig.controllers, bank.controllerId)?.firstBank ?? 1)} ${bank.name}`.trimEnd()
}
