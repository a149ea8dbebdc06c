import type { ActionOf } from '#core/rig'
import { controlName, controlLine, type ActionText } from './actionText'

export const stepControl: ActionText<ActionOf<'stepControl'>> = {
  name: 'Control, one step',
  lines: (rig, { controlId, by, atEnd }) =>
    controlLine(
      rig,
      controlId,
      () => `${by > 0 ? 'up' : 'down'} ${Math.abs(by)}${atEnd === 'wrap' ? ', round at the ends' : ''}`,
    ),
  short: (rig, { controlId }) => controlName(rig, controlId),
}
