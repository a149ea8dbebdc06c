import { usualController, type ControllerArchetype } from '../archetype'
import { requireU7 } from '#core/base'
import { power, trsOut } from '../jacks'

export const threeSwitch: ControllerArchetype = {
  key: 'threeSwitch',
  fields: {
    ...usualController,
    name: 'Three-switch controller',
    rows: 1,
    columns: 3,
    bankCount: 16,
    messagesPerEvent: 6,
    labelLength: null,
    colours: 3,
    highestProgram: requireU7(99),
    sendsBankSelect: false,
    sendsClock: false,
    ports: [trsOut('A'), power(100)],
  },
}
