import { usualDevice, type DeviceArchetype } from '../archetype'
import { PLAIN_128 } from '#core/rig'
import { power, soundIn, soundOut, trsIn } from '../jacks'

/** Six positions of a toggle, one program each. */
export const sixPositionPedal: DeviceArchetype = {
  key: 'sixPositionPedal',
  fields: {
    ...usualDevice,
    name: 'Six-position pedal',
    factoryChannel: 2 as DeviceArchetype['fields']['factoryChannel'],
    numbering: { ...PLAIN_128, count: 6 },
    saving: { how: 'itself', losesEdits: false },
    deafMs: 5,
    gap: { heard: 'slight', ms: 10 },
    ports: [trsIn('B'), power(100), soundIn(), soundOut()],
  },
}
