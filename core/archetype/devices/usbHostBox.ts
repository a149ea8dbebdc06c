import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { dinIn, midiOut, power, shared, usbHost } from '../jacks'

/** Lets a box that can only be a USB device be reached by DIN or TRS. */
export const usbHostBox: DeviceArchetype = {
  key: 'usbHostBox',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'USB host box',
    kind: 'box',
    ports: [
      dinIn(),
      shared('out', 'MIDI out', midiOut('din', { passes: 'always' })),
      usbHost('host1', 'USB host 1'),
      usbHost('host2', 'USB host 2'),
      power(500),
    ],
  },
}
