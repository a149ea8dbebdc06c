import { usualController, type ControllerArchetype } from '../archetype'
import { dinIn, dinOut, expression, power, usbDevice } from '../jacks'

export const eightSwitchPedal: ControllerArchetype = {
  key: 'eightSwitchPedal',
  fields: {
    ...usualController,
    name: 'Eight-switch controller with pedal',
    rows: 2,
    columns: 4,
    keepsSwitches: 2,
    bankCount: 100,
    builtInPedals: 1,
    firstBank: 0,
    editGesture: 'Press bank up and bank down together',
    chords: 'Bank up with bank down',
    // Which of its switches those are differs: the player's manual says.
    keeps: [],
    ports: [dinIn(), dinOut(), expression('exp2', 'Expression 2'), usbDevice(), power(300)],
  },
}
