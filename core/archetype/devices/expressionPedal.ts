import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { expressionOut, shared } from '../jacks'

export const expressionPedal: DeviceArchetype = {
  key: 'expressionPedal',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'Expression pedal',
    kind: 'pedal',
    ports: [shared('plug', 'Plug', expressionOut)],
  },
}
