import type { ActionOf } from '#core'
import { controlLine, type ActionText } from './actionText'

export const scene: ActionText<ActionOf<'scene'>> = (rig, { controlId, move, value }) =>
  controlLine(rig, controlId, (shown) => (move === 'to' ? shown(value) : move))
