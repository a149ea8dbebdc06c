import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { air, midiIn, midiOut, shared } from '../jacks'

/** One end of a Bluetooth link; it lives on the power of the MIDI jack it is plugged into. */
export const wirelessAdapter: DeviceArchetype = {
  key: 'wirelessAdapter',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'Wireless adapter',
    kind: 'box',
    ports: [
      shared('in', 'MIDI in', midiIn('din')),
      shared('out', 'MIDI out', midiOut('din', { passes: 'always' })),
      air('always'),
    ],
  },
}
