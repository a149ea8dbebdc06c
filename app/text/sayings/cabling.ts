import { listText } from '../counts'
import { ADAPTER_TEXT, lengthText, PLUG_TEXT, ROLE_TEXT } from '../jacks'
import type { Sayings } from './saying'

/** "Echo and reverb hear nothing. " */
const silencedText = (names: readonly string[]): string =>
  names.length === 0 ? '' : `${listText(names)} ${names.length === 1 ? 'hears' : 'hear'} nothing. `

export const cablingSayings: Sayings<
  | 'noPath'
  | 'wrongRole'
  | 'wrongWiring'
  | 'thruOff'
  | 'usbWithoutHost'
  | 'crowdedJack'
  | 'loop'
  | 'tooManyThrus'
  | 'longCable'
> = {
  noPath: ({ facts: { device, why, source } }) => ({
    title: `Nothing reaches ${device}.`,
    body:
      why === 'uncabled'
        ? `It has no cable to the controller or to a box that hands messages on.${source ? '' : ' No jack is free for it: a thru box or hub would make room.'}`
        : 'Its cables lead to no controller: the box before it does not hand messages on.',
    fix: source && `Cable it to ${source}`,
  }),
  wrongRole: ({ facts: { box, jack, other, set, wanted, silenced } }) =>
    wanted === null
      ? {
          title: `${box} and ${other} have nothing to say to each other over this cable.`,
          body: `${jack} is ${ROLE_TEXT[set]}; nothing at the other end goes with that.`,
          fix: 'Take the cable out',
        }
      : {
          title: `${jack} on ${box} is set to ${ROLE_TEXT[set]}.`,
          body: `${silencedText(silenced)}The cable to ${other} needs ${ROLE_TEXT[wanted]}. Change it with the gear off or muted.`,
          fix: `Set it to ${ROLE_TEXT[wanted]}`,
        },
  wrongWiring: ({ facts: { from, to, out, into, why, adapters, silenced } }) => ({
    title:
      why === 'trrs' ? 'This cable is TRRS where TRS is needed.' : 'This cable needs the other TRS wiring.',
    body: `${from} sends ${PLUG_TEXT[out]}, ${to} listens on ${PLUG_TEXT[into]}. Nothing is damaged; nothing arrives. ${silencedText(silenced)}`.trim(),
    fix:
      adapters.length === 0
        ? 'Use a plain cable'
        : why === 'trrs'
          ? `Use a TRS cable with ${listText(adapters.map((one) => ADAPTER_TEXT[one]))}`
          : `Use an ${listText(adapters.map((one) => ADAPTER_TEXT[one]))}`
              .replace('an DIN', 'a DIN')
              .replace('an TRRS', 'a TRRS'),
  }),
  thruOff: ({ facts: { box, jack, silenced } }) => ({
    title: `${jack} on ${box} is off.`,
    body: `${silencedText(silenced)}${box} does not hand messages on until it is told to.`,
    fix: `Switch ${jack} on`,
  }),
  usbWithoutHost: ({ facts: { from, to, ends, host, silenced } }) =>
    ends === 'device'
      ? {
          title: `${from} and ${to} are both USB devices.`,
          body: `USB needs a host at one end. ${silencedText(silenced)}Put a computer, tablet or host box in between.`,
          fix: host ? `Go by ${host}` : 'Put a USB host box in between',
        }
      : {
          title: `${from} and ${to} are both USB hosts.`,
          body: `A host talks to devices only. ${silencedText(silenced)}Use another kind of cable between them.`,
          fix: null,
        },
  crowdedJack: ({ facts: { box, jack, why, others } }) => ({
    title:
      why === 'senders'
        ? `${listText(others)} send into one input of ${box}.`
        : `${jack} on ${box} has ${others.length} cables.`,
    body:
      why === 'senders'
        ? `${jack} does not merge: messages would be torn. Use a merge box, or one sender.`
        : `It takes one plug. ${listText(others)} cannot all be in it.`,
    fix: `Take out the cable to ${others.at(-1)!}`,
  }),
  loop: ({ facts: { boxes } }) => ({
    title: 'Messages go round in a ring.',
    body: `${listText(boxes)} hand on to each other: one step would be sent for ever. Open the ring, or stop one of them handing on.`,
    fix: 'Take out the cable that closes it',
  }),
  tooManyThrus: ({ facts: { device, thrus, through } }) => ({
    title: `${device} is behind ${thrus} thru jacks.`,
    body: `Each one blurs the signal a little; beyond three, messages may be lost. After ${through[0] ?? 'the controller'}, use a thru box to branch off.`,
    fix: null,
  }),
  longCable: ({ facts: { from, to, centimetres, most } }) => ({
    title: `The cable from ${from} to ${to} is ${lengthText(centimetres)} long.`,
    body: `Up to ${lengthText(most)} is safe for this kind. Longer ones may lose messages.`,
    fix: null,
  }),
}
