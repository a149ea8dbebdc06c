import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { switchingOut } from '../jacks'

export const dualFootswitch: DeviceArchetype = {
  key: 'dualFootswitch',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'Dual footswitch',
    kind: 'pedal',
    ports: [switchingOut('plug', 'Plug', { poles: 2, by: 'foot', does: ['Left', 'Right'] })],
  },
}
