import { listText } from '#shared/words/counts'
import type { Sayings } from './saying'

const TRUST_THE_MANUAL = 'The maker’s manual decides; ask a technician when in doubt.'

const QUANTITY = {
  volts: (value: string) => `${value} V`,
  current: (value: string) => value.toUpperCase(),
  centre: (value: string) => `centre ${value}`,
} as const

export const powerSayings: Sayings<'wrongPower' | 'weakPower' | 'fedTwice' | 'midiPower' | 'noMidiPower'> = {
  wrongPower: ({ facts: { box, supply, outlet, why, gives, needs, better } }) => ({
    title: `${box} needs ${QUANTITY[why](needs)}; ${outlet} of ${supply} gives ${QUANTITY[why](gives)}.`,
    body: `The wrong supply can destroy it. ${TRUST_THE_MANUAL}`,
    fix: better && `Move it to ${better}`,
  }),
  weakPower: ({ facts: { supply, outlet, boxes, drawn, gives, better } }) => ({
    title: `${outlet} of ${supply} gives ${gives} mA; ${drawn} mA are drawn.`,
    body: `${listText(boxes)} may hum, reset or not start.${better ? '' : ' No free outlet suits.'}`,
    fix: better && `Move the hungriest to ${better}`,
  }),
  fedTwice: ({ facts: { box, by, overMidi } }) => ({
    title: `${box} is fed twice.`,
    body: `${listText(by.map(({ box: giver, jack }) => `${jack} of ${giver}`))} all give it power. Never feed from two supplies: leave one.`,
    fix: overMidi
      ? 'Use a MIDI cable without power'
      : `Take out the cable from ${by.at(-1)!.jack} of ${by.at(-1)!.box}`,
  }),
  midiPower: ({ facts: { from, to, why } }) =>
    why === 'needsFivePins'
      ? {
          title: 'This cable must have all five pins wired.',
          body: `Power between ${from} and ${to} runs on the two spare pins; most DIN cables leave them out.`,
          fix: 'Use a cable with all five pins',
        }
      : {
          title: `Power runs between ${from} and ${to} on the MIDI cable.`,
          body: `Only one of them is built for it. ${TRUST_THE_MANUAL}`,
          fix: 'Use a cable with three pins',
        },
  noMidiPower: ({ facts: { box, jack, others } }) => ({
    title: `${box} gets no power.`,
    body: `It lives on its MIDI cable, and ${others.length === 0 ? `nothing is plugged into ${jack}` : `${listText(others)} ${others.length === 1 ? 'gives' : 'give'} none there`}. Use the supply or the powering box its maker names. ${TRUST_THE_MANUAL}`,
    fix: null,
  }),
}
