import { usualDevice, type DeviceArchetype } from '../archetype'
import {
  dinIn,
  dinOut,
  dinThru,
  expressionIn,
  headphones,
  power,
  shared,
  soundIn,
  soundLoop,
  soundOut,
  switchIn,
  switchOut,
  usbDevice,
} from '../jacks'

/** Presets with scenes inside them. */
export const multiEffects: DeviceArchetype = {
  key: 'multiEffects',
  fields: {
    ...usualDevice,
    name: 'Multi-effects unit',
    numbering: {
      style: 'banked',
      count: 256,
      bankSelect: 'msb',
      programsPerBank: 128,
      bank: { symbols: 'digits', first: 1 },
      slot: { symbols: 'letters' },
      slots: 4,
      separator: '',
    },
    sendsProgramsBack: true,
    deafMs: 80,
    gap: { heard: 'clear', ms: 60 },
    ports: [
      dinIn(),
      dinOut(),
      dinThru('off'),
      usbDevice(),
      shared('pedal', 'Pedal jack', expressionIn, switchIn({ poles: 2, action: 'either' })),
      shared('amp', 'Amp control', switchOut({ poles: 2, action: 'latching', does: ['Channel', 'Boost'] })),
      power(1000, { volts: 12 }),
      soundIn(),
      soundOut('stereo'),
      ...soundLoop(),
      headphones(),
    ],
  },
}
