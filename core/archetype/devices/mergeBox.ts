import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { dinIn, midiOut, power, shared } from '../jacks'

export const mergeBox: DeviceArchetype = {
  key: 'mergeBox',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'MIDI merge box',
    kind: 'box',
    ports: [
      dinIn('in1', 'In 1'),
      dinIn('in2', 'In 2'),
      shared('out', 'Out', midiOut('din', { passes: 'always' })),
      power(30),
    ],
  },
}
