import { usualDevice, type DeviceArchetype } from '../archetype'
import { expressionIn, midiIn, power, shared, soundIn, soundOut, switchIn } from '../jacks'

export const delay: DeviceArchetype = {
  key: 'delay',
  fields: {
    ...usualDevice,
    name: 'Delay',
    numbering: {
      style: 'banked',
      count: 128,
      bankSelect: 'none',
      programsPerBank: 128,
      bank: { symbols: 'letters' },
      slot: { symbols: 'digits', first: 1 },
      slots: 8,
      separator: '',
    },
    followsClock: true,
    gap: { heard: 'none', ms: 0 },
    ports: [
      shared('jack', 'Control jack', expressionIn, switchIn(), midiIn('trsB')),
      power(250),
      soundIn(),
      soundOut('stereo'),
    ],
  },
}
