import { usualDevice, type DeviceArchetype } from '../archetype'
import { PLAIN_128 } from '#core/rig'
import { dinIn, dinOut, expression, headphones, power, soundIn, soundOut, usbDevice } from '../jacks'

/** Blocks cabled inside a preset; its map of controls is kept in each preset. */
export const modularEffects: DeviceArchetype = {
  key: 'modularEffects',
  fields: {
    ...usualDevice,
    name: 'Modular effects',
    numbering: { ...PLAIN_128, first: 0, digits: 2, count: 64 },
    deafMs: 250,
    gap: { heard: 'clear', ms: 200 },
    ports: [
      dinIn(),
      dinOut(),
      usbDevice(),
      expression('exp1', 'Expression'),
      power(500, { volts: 9 }),
      soundIn('stereo'),
      soundOut('stereo'),
      headphones(),
    ],
  },
}
