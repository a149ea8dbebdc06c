import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { soundIn, soundOut } from '../jacks'

/** Two outputs, one of them with no earth through it: for two amps, or an amp and a mixer. */
export const isolatingBox: DeviceArchetype = {
  key: 'isolatingBox',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'Isolating box',
    kind: 'plain',
    ports: [soundIn(), soundOut(), soundOut('mono', 'main', 'isolated', 'Isolated output', true)],
  },
}
