import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { dinIn, dinThru, power } from '../jacks'

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
