import { usualController, type ControllerArchetype } from '../archetype'
import {
  dinIn,
  dinOut,
  expression,
  expressionIn,
  midiOut,
  power,
  shared,
  switchingOut,
  usbDevice,
} from '../jacks'

export const sixSwitch: ControllerArchetype = {
  key: 'sixSwitch',
  fields: {
    ...usualController,
    name: 'Six-switch controller',
    rows: 2,
    columns: 3,
    labelLength: 12,
    ports: [
      dinIn(),
      dinOut(),
      shared('multi', 'Multi jack', midiOut('trsA'), expressionIn),
      expression(),
      switchingOut('relay', 'Switching out', { poles: 2, does: ['Switch 1', 'Switch 2'] }),
      usbDevice(),
      power(200),
    ],
  },
}
