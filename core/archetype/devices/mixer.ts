import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { soundIn } from '../jacks'

/** The desk of the house, or a recorder: where the sound ends. */
export const mixer: DeviceArchetype = {
  key: 'mixer',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'Mixer',
    kind: 'plain',
    ports: [soundIn('mono', 'mixer', 'left', 'Left'), soundIn('mono', 'mixer', 'right', 'Right')],
  },
}
