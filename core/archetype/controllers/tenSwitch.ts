import { usualController, type ControllerArchetype } from '../archetype'
import {
  dinIn,
  dinOut,
  expression,
  midiOut,
  power,
  shared,
  switchingIn,
  switchingOut,
  trsOut,
  usbDevice,
  usbHost,
} from '../jacks'

export const tenSwitch: ControllerArchetype = {
  key: 'tenSwitch',
  fields: {
    ...usualController,
    name: 'Ten-switch controller',
    rows: 2,
    columns: 5,
    waitMs: 500,
    separateOutputs: true,
    events: ['press', 'release', 'longPress', 'doublePress'],
    ports: [
      dinIn(),
      dinOut('out', 'MIDI out 1'),
      shared('out2', 'MIDI out 2', midiOut('din')),
      trsOut('A', {}, 'out3', 'MIDI out 3'),
      usbDevice(),
      usbHost('host', 'USB host', 'on'),
      expression('exp1', 'Expression 1'),
      expression('exp2', 'Expression 2'),
      switchingIn('foot', 'Extra footswitch', { poles: 2, action: 'either' }),
      switchingOut('relay1', 'Switching out 1', { poles: 2, does: ['Switch 1', 'Switch 2'] }),
      switchingOut('relay2', 'Switching out 2', { poles: 2, does: ['Switch 3', 'Switch 4'] }),
      power(500),
    ],
  },
}
