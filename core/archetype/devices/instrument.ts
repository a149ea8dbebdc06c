import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { soundOut } from '../jacks'

/** Where the sound begins: a guitar or a bass. */
export const instrument: DeviceArchetype = {
  key: 'instrument',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'Instrument',
    kind: 'plain',
    ports: [soundOut('mono', 'instrument', 'jack', 'Jack')],
  },
}
