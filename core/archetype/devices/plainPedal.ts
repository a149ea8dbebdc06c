import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { power, soundIn, soundOut, switchingIn } from '../jacks'

export const plainPedal: DeviceArchetype = {
  key: 'plainPedal',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'Pedal without MIDI',
    kind: 'plain',
    ports: [
      switchingIn('remote', 'Remote switch', { does: ['On and off'] }),
      power(30),
      soundIn(),
      soundOut(),
    ],
  },
}
