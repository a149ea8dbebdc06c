import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { expressionOut, shared, switchOut } from '../jacks'

export const toePedal: DeviceArchetype = {
  key: 'toePedal',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'Expression pedal with toe switch',
    kind: 'pedal',
    ports: [
      shared('plug', 'Plug', expressionOut),
      shared('toe', 'Toe switch', switchOut({ by: 'foot', action: 'latching', does: ['Toe'] })),
    ],
  },
}
