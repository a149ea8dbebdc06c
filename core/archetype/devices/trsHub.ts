import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { power, trsIn, trsOut } from '../jacks'

/** One TRS input, copied to four outputs. */
export const trsHub: DeviceArchetype = {
  key: 'trsHub',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'Four-way TRS hub',
    kind: 'box',
    ports: [
      trsIn('A'),
      ...[1, 2, 3, 4].map((n) => trsOut('A', { isThru: true, passes: 'always' }, `out${n}`, `Out ${n}`)),
      power(50),
    ],
  },
}
