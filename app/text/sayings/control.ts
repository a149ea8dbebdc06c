import type { Finding } from '#core/check'
import type { Need } from '#core/switching'
import { listText } from '#shared/words/counts'
import type { Sayings } from './saying'

type Contact = Extract<Finding, { code: 'wrongContact' }>['facts']

const CONTACT: Record<Contact['why'], (facts: Contact) => { title: string; body: string; fix: string }> = {
  rest: ({ from, to, jack, has, wants, setAt }) => ({
    title: `${from} rests ${has}; ${jack} on ${to} expects ${wants}.`,
    body: 'It would work the wrong way round: on when it should be off.',
    fix: setAt === 'from' ? `Set ${from} to rest ${wants}` : `Set ${jack} on ${to} to rest ${has}`,
  }),
  action: ({ from, to, jack, has, wants }) => ({
    title: `${from} is ${has}; ${jack} on ${to} wants ${wants}.`,
    body:
      wants === 'momentary'
        ? 'A contact that stays closed is read as a long press, or every second press is lost.'
        : 'A contact that springs back lets go at once.',
    fix: `Set ${from} to ${wants}`,
  }),
  order: ({ from, to, has, wants }) => ({
    title: `${from} and ${to} number the two contacts differently.`,
    body: `Number one is on the ${has} of ${from} and on the ${wants} of ${to}: the two functions change places.`,
    fix: 'Swap tip and ring',
  }),
  poles: ({ from, to, jack, has }) => ({
    title: `Only one contact reaches ${to}.`,
    body:
      has === '2'
        ? `${from} has two switches on one plug, and ${jack} takes one contact: the second switch does nothing. Use a jack for two, or a splitter into two jacks.`
        : `${jack} takes two, on tip and ring. The one from ${from} works the first function only.`,
    fix: 'Use a TRS cable',
  }),
}

/** What a controller can or cannot do, as it stands in a table. */
export const NEED_TEXT: Record<Need, string> = {
  switches: 'Switches in a bank',
  banks: 'Banks',
  messages: 'Messages a step',
  highestProgram: 'Highest program sent',
  bankSelect: 'Bank select',
  holds: 'Knows when the foot comes off',
  longPresses: 'Knows a long press',
  doublePresses: 'Knows a double press',
  shiftLayer: 'Shift layer',
  midiOut: 'MIDI output',
  usbHost: 'USB host ports',
  expressionInputs: 'Expression inputs',
  switchingOutputs: 'Switching contacts out',
  switchInputs: 'Footswitch contacts in',
  clock: 'Sends MIDI clock',
  showList: 'Keeps a set list',
}

export const controlSayings: Sayings<
  'wrongWiper' | 'monoLead' | 'wrongContact' | 'cannotPerform' | 'otherController'
> = {
  wrongWiper: ({ facts: { pedal, box, jack, wiper } }) => ({
    title: `${pedal} has its wiper on the other contact.`,
    body: `${jack} on ${box} reads the ${wiper}. The sweep would jump, or come the wrong way round.`,
    fix: 'Swap tip and ring',
  }),
  monoLead: ({ facts: { pedal, box, jack } }) => ({
    title: `${pedal} is on a mono cable.`,
    body: `${jack} on ${box} needs tip, ring and sleeve: with a mono plug the pedal reads nothing, or stands at one end.`,
    fix: 'Use a TRS cable',
  }),
  otherController: ({ facts: { label, number, controller, devices, reachedBy } }) => ({
    title: `${label || `Switch ${number}`} does not reach ${listText(devices)}.`,
    body: `It stands on ${controller}, and only ${reachedBy} has a way there. Cable ${controller} to it by a merge box, or put the switch on ${reachedBy}.`,
    fix: null,
  }),
  wrongContact: ({ facts, fix }) => {
    const text = CONTACT[facts.why](facts)
    return { ...text, fix: fix ? text.fix : null }
  },
  cannotPerform: ({ facts: { controller, need, wanted, has, by, wouldDo } }) => ({
    title: `${NEED_TEXT[need]}: ${controller} has ${has}, the rig wants ${wanted}.`,
    body: `${by.length > 0 ? `For ${listText(by)}. ` : ''}${
      wouldDo.length > 0
        ? `Would do: ${listText(wouldDo)}.`
        : `No one kind of controller does it all; ask less of it, or add a box that does it.`
    }`,
    fix: null,
  }),
}
