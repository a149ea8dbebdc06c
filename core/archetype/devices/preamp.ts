import { usualDevice, type DeviceArchetype } from '../archetype'
import { dinIn, dinThru, expression, power } from '../jacks'

export const preamp: DeviceArchetype = {
  key: 'preamp',
  fields: {
    ...usualDevice,
    name: 'Preamp',
    factoryChannel: 1 as DeviceArchetype['fields']['factoryChannel'],
    ports: [dinIn(), dinThru('off'), expression(), power(300)],
  },
}
