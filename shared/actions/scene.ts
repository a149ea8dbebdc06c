import type { ActionOf } from '#core/rig'
import { controlName, controlLine, type ActionText } from './actionText'

export const scene: ActionText<ActionOf<'scene'>> = {
  name: 'Scene',
  lines: (rig, { controlId, move, value }) =>
    controlLine(rig, controlId, (shown) => (move === 'to' ? shown(value) : move)),
  short: (rig, { controlId }) => controlName(rig, controlId),
}
