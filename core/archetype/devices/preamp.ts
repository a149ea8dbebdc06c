import { usualDevice, type DeviceArchetype } from '../archetype'
import { dinIn, dinThru, expression, power, soundIn, soundLoop, soundOut } from '../jacks'

export const preamp: DeviceArchetype = {
  key: 'preamp',
  fields: {
    ...usualDevice,
    name: 'Preamp',
    factoryChannel: 1 as DeviceArchetype['fields']['factoryChannel'],
    deafMs: 30,
    gap: { heard: 'slight', ms: 15 },
    ports: [dinIn(), dinThru('off'), expression(), power(300), soundIn(), soundOut(), ...soundLoop()],
  },
}
