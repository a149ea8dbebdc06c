import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { dinIn, dinThru, power } from '../jacks'

/** One MIDI input, the same on several outputs. */
export const thruBox: DeviceArchetype = {
  key: 'thruBox',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'MIDI thru box',
    kind: 'box',
    ports: [dinIn(), ...[1, 2, 3, 4].map((n) => dinThru('always', `thru${n}`, `Thru ${n}`)), power(30)],
  },
}
