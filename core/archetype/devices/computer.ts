import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { usbHost } from '../jacks'

/** A computer or tablet as a USB host; its program passes on what comes in. */
export const computer: DeviceArchetype = {
  key: 'computer',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'Computer or tablet',
    kind: 'box',
    ports: [1, 2, 3].map((n) => usbHost(`usb${n}`, `USB ${n}`, 'on')),
  },
}
