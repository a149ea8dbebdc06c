import { usualDevice, type DeviceArchetype } from '../archetype'
import { PLAIN_128 } from '#core/rig'
import { dinIn, power, soundIn, soundOut } from '../jacks'

export const pitchPedal: DeviceArchetype = {
  key: 'pitchPedal',
  fields: {
    ...usualDevice,
    name: 'Pitch pedal',
    numbering: { ...PLAIN_128, count: 42 },
    saving: { how: 'itself', losesEdits: false },
    deafMs: 10,
    gap: { heard: 'slight', ms: 10 },
    ports: [dinIn(), power(260), soundIn(), soundOut()],
  },
}
