import { listText } from '../counts'
import type { Sayings } from './saying'

const TRUST_THE_MANUAL = 'The maker’s manual decides; ask a technician when in doubt.'

const QUANTITY = {
  volts: (value: string) => `${value} V`,
  current: (value: string) => value.toUpperCase(),
  centre: (value: string) => `centre ${value}`,
} as const

export const powerSayings: Sayings<'wrongPower' | 'weakPower' | 'fedTwice' | 'midiPower'> = {
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
    body: `${listText(by)} both give it power. Never feed from two supplies.`,
    fix: overMidi ? 'Use a MIDI cable without power' : 'Take out the last power cable',
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
}
