import { usualDevice, type DeviceArchetype } from '../archetype'
import { dinIn, dinThru, power, soundIn, soundOut } from '../jacks'

export const presetPedal: DeviceArchetype = {
  key: 'presetPedal',
  fields: {
    ...usualDevice,
    name: 'Preset pedal',
    ports: [dinIn(), dinThru(), power(150), soundIn(), soundOut()],
  },
}
