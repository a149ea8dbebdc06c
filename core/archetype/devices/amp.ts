import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { soundIn, soundLoop, switchingIn } from '../jacks'

/** An amp whose channel and boost are contacts on its footswitch jack. */
export const amp: DeviceArchetype = {
  key: 'amp',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'Amp',
    kind: 'plain',
    ports: [
      switchingIn('foot', 'Footswitch jack', { poles: 2, action: 'latching', does: ['Channel', 'Boost'] }),
      soundIn('mono', 'amp', 'input', 'Amp input'),
      ...soundLoop(),
    ],
  },
}
