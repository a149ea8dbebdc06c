import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { outlet } from '../jacks'

/** Feeds other boxes; takes part in nothing else. */
export const powerSupply: DeviceArchetype = {
  key: 'powerSupply',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'Power supply',
    kind: 'supply',
    ports: [...[1, 2, 3, 4, 5, 6].map((n) => outlet(n, 300)), outlet(7, 500), outlet(8, 1000, { volts: 12 })],
  },
}
