import { usualDevice, type DeviceArchetype } from '../archetype'
import { LOOP_CHARTS } from '#core/looper'
import { PLAIN_128 } from '#core/rig'
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
    looper: {
      ...LOOP_CHARTS.twoSwitch,
      inputs: LOOP_CHARTS.twoSwitch.inputs.map((input, n) => ({
        ...input,
        by: { kind: 'contact', contactId: `foot${n + 1}` },
      })),
    },
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
