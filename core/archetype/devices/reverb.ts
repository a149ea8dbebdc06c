import { usualDevice, type DeviceArchetype } from '../archetype'
import { PLAIN_128 } from '#core/rig'
import { expression, power, soundIn, soundOut, trsIn } from '../jacks'

/** More presets than 128, so it takes bank select. */
export const reverb: DeviceArchetype = {
  key: 'reverb',
  fields: {
    ...usualDevice,
    name: 'Reverb',
    numbering: { ...PLAIN_128, digits: 3, count: 300, bankSelect: 'both' },
    deafMs: 40,
    gap: { heard: 'slight', ms: 30 },
    ports: [trsIn('A'), expression(), power(300), soundIn(), soundOut('stereo')],
  },
}
