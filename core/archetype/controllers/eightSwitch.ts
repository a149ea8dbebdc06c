import { usualController, type ControllerArchetype } from '../archetype'
import { dinIn, dinOut, expression, power, switchingIn, switchingOut, usbDevice } from '../jacks'

export const eightSwitch: ControllerArchetype = {
  key: 'eightSwitch',
  fields: {
    ...usualController,
    name: 'Eight-switch controller',
    rows: 2,
    columns: 4,
    ports: [
      dinIn(),
      dinOut(),
      usbDevice(),
      expression('exp1', 'Expression 1'),
      expression('exp2', 'Expression 2'),
      switchingIn('foot', 'Extra footswitch', { action: 'either' }),
      switchingOut('relay1', 'Switching out 1', { poles: 2, does: ['Switch 1', 'Switch 2'] }),
      switchingOut('relay2', 'Switching out 2', { poles: 2, does: ['Switch 3', 'Switch 4'] }),
      power(250),
    ],
  },
}
