import type { Finding } from '#core/check'
import type { Adapter, Plug } from '#core/rig'
import { listText } from '#shared/words/counts'
import { ADAPTER_TEXT, lengthText } from '#shared/cableText'
import { PLUG_TEXT, ROLE_TEXT } from '../jacks'
import type { Sayings } from './saying'

/** "Echo and reverb hear nothing. " */
const silencedText = (names: readonly string[]): string =>
  names.length === 0 ? '' : `${listText(names)} ${names.length === 1 ? 'hears' : 'hear'} nothing. `

/** What a box put in where no jack is free brings with it. */
const roomText = (room: Extract<Finding, { code: 'noPath' }>['facts']['room']): string =>
  room === null
    ? 'No jack is free for it, and no thru box would help: it needs another kind of input, or a controller with one more output.'
    : `No jack is free for it. A ${room.box} makes room, ${room.supply === null ? 'with a supply of its own' : `fed by ${room.supply}`}.`

/** Why plugs do not suit, by the adapter that is there and the one that is not. */
function wiringTitle(out: Plug, into: Plug, has: readonly Adapter[], adapters: readonly Adapter[]): string {
  if (has.length > 0 && adapters.length === 0) return 'This cable has an adapter that is not needed.'
  if (has.length > 0) return 'This cable has the wrong adapter.'
  return out === 'din' || into === 'din'
    ? 'This cable lacks an adapter between DIN and TRS.'
    : out === 'trrs' || into === 'trrs'
      ? 'This cable lacks an adapter between TRRS and TRS.'
      : 'One end is wired TRS type A, the other type B.'
}

export const cablingSayings: Sayings<
  | 'noPath'
  | 'wrongRole'
  | 'wrongWiring'
  | 'thruOff'
  | 'outForThru'
  | 'usbWithoutHost'
  | 'crowdedJack'
  | 'loop'
  | 'tooManyThrus'
  | 'longCable'
> = {
  noPath: ({ facts: { device, why, source, room } }) => ({
    title: `Nothing reaches ${device}.`,
    body: [
      why === 'uncabled'
        ? 'It has no MIDI cable to the controller or to a box that hands messages on.'
        : 'Its MIDI cables lead to no controller: the box before it does not hand messages on.',
      ...(source ? [] : [roomText(room)]),
    ].join(' '),
    fix: source
      ? `Cable it to ${source}`
      : room && `Put in a ${room.box.replace(/^MIDI /, '')} behind ${room.behind}`,
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
  wrongWiring: ({ facts: { from, to, out, into, why, has, adapters, silenced } }) => ({
    title:
      why === 'mono'
        ? 'This is a mono cable, and TRS MIDI needs two contacts.'
        : why === 'trrs'
          ? 'This cable is TRRS where TRS is needed.'
          : wiringTitle(out, into, has, adapters),
    body: `${from} sends ${PLUG_TEXT[out]}, ${to} listens on ${PLUG_TEXT[into]}. Nothing is damaged; nothing arrives. ${silencedText(silenced)}`.trim(),
    fix:
      adapters.length === 0
        ? why === 'mono'
          ? 'Use a TRS cable'
          : 'Use a plain cable'
        : why !== 'wiring'
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
  outForThru: ({ facts: { box, jack, thru, isThruFree, to, silenced } }) => ({
    title: `${to} hangs on ${jack} of ${box}: use ${thru}.`,
    body: `${jack} carries only what ${box} says itself; ${thru} hands on what comes in. ${silencedText(silenced)}${isThruFree ? '' : `${thru} is taken: a thru box makes room.`}`.trim(),
    fix: isThruFree ? `Plug it into ${thru}` : null,
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
  loop: ({ facts: { boxes, silenced }, about, fix }) => ({
    title: 'Messages go round in a ring.',
    body: `${listText(boxes)} hand on to each other: one step would be sent for ever. Open the ring, or stop one of them handing on.${
      silenced.length === 0
        ? ''
        : ` Without this cable ${listText(silenced)} would hear nothing: lay another first.`
    }`,
    fix: fix && about.table === 'cables' ? 'Take this cable out' : null,
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
