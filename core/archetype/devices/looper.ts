import { usualDevice, type DeviceArchetype } from '../archetype'
import { PLAIN_128 } from '../../rig/numbering/numbering'
import { dinIn, dinOut, power, soundIn, soundOut, switchingIn } from '../jacks'

export const looper: DeviceArchetype = {
  key: 'looper',
  fields: {
    ...usualDevice,
    name: 'Looper',
    numbering: { ...PLAIN_128, count: 99, digits: 2 },
    followsClock: true,
    sendsProgramsBack: true,
    saving: { how: 'explicit', losesEdits: true },
    whileDeaf: 'keeps',
    gap: { heard: 'none', ms: 0 },
    ports: [
      dinIn(),
      dinOut(),
      switchingIn('foot', 'Footswitch', { poles: 2 }),
      power(300),
      soundIn('stereo'),
      soundOut('stereo'),
    ],
  },
}
