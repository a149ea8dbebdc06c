import type { ActionOf } from '#core/rig'
import { controlName, controlLine, type ActionText } from './actionText'

export const setControl: ActionText<ActionOf<'setControl'>> = {
  name: 'Control',
  lines: (rig, { controlId, value }) => controlLine(rig, controlId, (shown) => shown(value)),
  short: (rig, { controlId }) => controlName(rig, controlId),
}
