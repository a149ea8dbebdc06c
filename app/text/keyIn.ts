import { own } from '#core/base'
import {
  gestureKey,
  type FootGesture,
  type HeardFault,
  type HeardVerdict,
  type LearnDoubt,
} from '#core/listen'
import { messageOfHex } from '#core/midi'
import type { Controller, Keying, Rig } from '#core/rig'
import { listText } from '#shared/words/counts'
import { channelText, messageText } from '#shared/words/messages'

export const MANNER_TEXT: Record<Keying['manner'], { readonly name: string; readonly about: string }> = {
  walk: {
    name: 'Hold a switch, walk its fields',
    about: 'One key goes from field to field, two others change the value; held to save.',
  },
  digits: {
    name: 'Digit by digit',
    about: 'Everything is a number: a key for each decimal place raises it, OK takes it.',
  },
  menu: { name: 'Menu and dial', about: 'A display with a menu: a dial sets, two keys move the cursor.' },
  slots: {
    name: 'List of slots',
    about: 'Each switch has a list of messages; a row is opened and its digits are set.',
  },
  editor: {
    name: 'Editor on a computer',
    about: 'Chosen with the pointer and typed, and sent to the controller at the end.',
  },
}

/** "PC 11 on ch 4", of a message as it is sent. */
export function hexText(hex: string): string {
  const message = messageOfHex(hex)
  return message === null ? hex : `${messageText(message)} on ${channelText(message)}`
}

/** "switch 3 of bank 2 Verse", and what the foot does. */
export function gestureText(rig: Rig, controller: Controller, gesture: FootGesture): string {
  const bank = own(rig.banks, gesture.bankId)
  const port = controller.ports.find(({ id }) => id === gesture.jack)
  const where =
    gesture.jack === '' ? `Switch ${gesture.number}` : `${port?.name ?? 'Toe switch'} ${gesture.number}`
  const shift = gesture.layer === 'shift' ? ', shift layer' : ''
  return `${where}${shift} in bank ${(bank?.index ?? 0) + controller.firstBank}${bank?.name ? ` ${bank.name}` : ''}`
}

export const howText = ({ how, nth }: Pick<FootGesture, 'how' | 'nth'>): string =>
  how === 'hold'
    ? 'Hold it for two seconds'
    : how === 'double'
      ? 'Step on it twice quickly'
      : nth === 0
        ? 'Step on it'
        : `Step on it again (press ${nth + 1})`

/** What is wrong, in a sentence. */
export function faultText(
  rig: Rig,
  controller: Controller,
  fault: HeardFault,
  gestures: readonly FootGesture[],
): string {
  switch (fault.kind) {
    case 'silent':
      return 'It sent nothing.'
    case 'speaks':
      return `It should send nothing, and sent ${listText(fault.sent.map(hexText))}.`
    case 'offByOne':
      return `Program one too ${fault.by > 0 ? 'high' : 'low'} on channel ${fault.channel}: ${fault.sent}, not ${fault.planned}. Some count from 1, some from 0.`
    case 'program':
      return `Program ${fault.sent} on channel ${fault.channel}, not ${fault.planned}.`
    case 'channel':
      return `Wrong channel: ${hexText(fault.message)} came on ${fault.sent}.`
    case 'bankSelect':
      return `No bank select before the program on channel ${fault.channel}: it lands in whatever bank the device is in.`
    case 'value':
      return `CC ${fault.number} on channel ${fault.channel} is ${fault.sent}, not ${fault.planned}.`
    case 'number':
      return `CC ${fault.sent} on channel ${fault.channel}, not CC ${fault.planned}.`
    case 'missing':
      return `${hexText(fault.message)} is missing.`
    case 'extra':
      return `${hexText(fault.message)} is too many.`
    case 'order':
      return 'All is there, in another order.'
    case 'another':
    case 'swapped': {
      const other = gestures.find((one) => gestureKey(one) === fault.gesture)
      const name = other ? gestureText(rig, controller, other) : 'another switch'
      return fault.kind === 'swapped' ? `Swapped with ${lower(name)}.` : `It does what ${lower(name)} should.`
    }
  }
}

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1)

export const verdictText = ({ kind }: HeardVerdict): string =>
  ({
    right: 'as planned',
    wrong: 'not as planned',
    cannotTell: 'cannot tell: what it sends hangs on what was sent before',
    unheard: 'sends nothing, as planned; whether it does its work cannot be heard',
  })[kind]

export const doubtText = (doubt: LearnDoubt): string =>
  ({
    silent: 'It sends nothing: it may turn banks, tune, or do nothing.',
    goesOn: 'It does something else at every step: it may count, or follow a list.',
    holdUnclear: 'Held, it did what neither its steps nor a long press explain: try it once more.',
    longPauses: 'It pauses so long that its end cannot be told from the foot coming off.',
  })[doubt]
