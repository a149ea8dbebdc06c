import type { Finding } from '#core/check'

export type RigTab = 'map' | 'checklist' | 'channels' | 'power' | 'sound' | 'controller' | 'saving'

const POWER: readonly string[] = ['wrongPower', 'weakPower', 'fedTwice', 'midiPower', 'noMidiPower']
const SOUND: readonly string[] = ['brokenLoop', 'earthLoop', 'stereoLost', 'phonesBypassed', 'soundEndsIn']

export const isAboutSound = ({ code }: Finding): boolean => SOUND.includes(code)

export const isAboutPower = ({ code }: Finding): boolean => POWER.includes(code)

/** The parts of the Rig view, with what each has to look at. */
export const rigTabs = (
  found: readonly Finding[],
): { key: RigTab; text: string; found?: readonly Finding[] }[] => [
  { key: 'map', text: 'Map' },
  { key: 'checklist', text: 'Before the first stomp' },
  { key: 'channels', text: 'Channels', found: found.filter(({ about }) => about.field === 'channel') },
  { key: 'power', text: 'Power', found: found.filter(isAboutPower) },
  { key: 'sound', text: 'Sound’s way', found: found.filter(isAboutSound) },
  {
    key: 'controller',
    text: 'Which controller',
    found: found.filter(({ code }) => code === 'cannotPerform'),
  },
  { key: 'saving', text: 'Saving' },
]
