import type { ActionOf } from '#core/rig'
import { controlLine, type ActionText } from './actionText'

export const tuner: ActionText<ActionOf<'tuner'>> = {
  name: 'Tuner',
  lines: (rig, { controlId, does }) =>
    controlLine(rig, controlId, () => (does === 'change' ? 'on or off' : does)),
  short: () => 'tuner',
}
