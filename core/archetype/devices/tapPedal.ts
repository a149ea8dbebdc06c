import { unheard, usualDevice, type DeviceArchetype } from '../archetype'
import { USUAL_TAP_IN } from '#core/rig'
import { power, soundIn, soundOut, switchingIn } from '../jacks'

/** A pedal without MIDI that takes its tempo from taps on a jack: a tremolo, an old delay. */
export const tapPedal: DeviceArchetype = {
  key: 'tapPedal',
  fields: {
    ...usualDevice,
    ...unheard,
    name: 'Pedal with a tap jack',
    kind: 'plain',
    tapIn: { ...USUAL_TAP_IN, place: { kind: 'contact', contactId: 'tap' } },
    ports: [switchingIn('tap', 'Tap', { does: ['Tap tempo'] }), power(30), soundIn(), soundOut()],
  },
}
