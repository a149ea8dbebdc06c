import { usualDevice, type DeviceArchetype } from '../archetype'
import { PLAIN_128 } from '#core/rig'
import { power, switchingOut, trsIn, trsOut } from '../jacks'

/** Makes one pedal without MIDI answer to it. */
export const relayInterface: DeviceArchetype = {
  key: 'relayInterface',
  fields: {
    ...usualDevice,
    name: 'One-pedal relay interface',
    numbering: { ...PLAIN_128, count: 4 },
    saving: { how: 'itself', losesEdits: false },
    deafMs: 10,
    gap: { heard: 'slight', ms: 10 },
    ports: [
      trsIn('A'),
      trsOut('A', { isThru: true, passes: 'always' }, 'thru', 'MIDI thru'),
      switchingOut('relay', 'Switching out'),
      power(50),
    ],
  },
}
