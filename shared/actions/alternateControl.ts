import type { ActionOf } from '#core/rig'
import { controlName, controlLine, type ActionText } from './actionText'

export const alternateControl: ActionText<ActionOf<'alternateControl'>> = {
  name: 'Control, two values in turn',
  lines: (rig, { controlId, a, b }) =>
    controlLine(rig, controlId, (shown) => `${shown(a)} or ${shown(b)}, in turn`),
  short: (rig, { controlId }) => controlName(rig, controlId),
}
