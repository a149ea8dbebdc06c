import { usualController, type ControllerArchetype } from '../archetype'
import { dinOut, expression, power, usbDevice } from '../jacks'

export const fourSwitch: ControllerArchetype = {
  key: 'fourSwitch',
  fields: {
    ...usualController,
    name: 'Four-switch controller',
    rows: 1,
    columns: 4,
    labelLength: 8,
    thinsPedals: false,
    ports: [dinOut(), usbDevice(), expression(), power(150)],
  },
}
