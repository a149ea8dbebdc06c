import { usualDevice, type DeviceArchetype } from '../archetype'
import { PLAIN_128 } from '../../rig/numbering/numbering'
import { dinIn, dinThru, power, switchingOut } from '../jacks'

/** The box that closes an amp's channel and boost contacts, by program. */
export const relayAmp: DeviceArchetype = {
  key: 'relayAmp',
  fields: {
    ...usualDevice,
    name: 'Amp relay box',
    numbering: { ...PLAIN_128, count: 16 },
    saving: { how: 'explicit', losesEdits: false },
    ports: [
      dinIn(),
      dinThru(),
      switchingOut('amp', 'To the amp', { poles: 2, action: 'latching', does: ['Channel', 'Boost'] }),
      power(100),
    ],
  },
}
