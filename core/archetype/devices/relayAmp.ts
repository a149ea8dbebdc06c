import { usualDevice, type DeviceArchetype } from '../archetype'
import { PLAIN_128 } from '#core/rig'
import { dinIn, dinThru, power, switchingOut } from '../jacks'

/** The box that closes an amp's channel and boost contacts, by program. */
export const relayAmp: DeviceArchetype = {
  key: 'relayAmp',
  fields: {
    ...usualDevice,
    name: 'Amp relay box',
    numbering: { ...PLAIN_128, count: 16 },
    relays: [
      { id: 'channel', name: 'Channel 2', does: 'Closed: channel 2 of the amp', within: '' },
      { id: 'boost', name: 'Boost', does: 'Closed: boost of channel 2', within: 'channel' },
    ],
    saving: { how: 'explicit', losesEdits: false },
    deafMs: 10,
    gap: { heard: 'slight', ms: 10 },
    ports: [
      dinIn(),
      dinThru(),
      switchingOut('amp', 'To the amp', { poles: 2, action: 'latching', does: ['Channel', 'Boost'] }),
      power(100),
    ],
  },
}
