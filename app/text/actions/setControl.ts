import type { ActionOf } from '#core'
import { controlLine, type ActionText } from './actionText'

export const setControl: ActionText<ActionOf<'setControl'>> = (rig, { controlId, value }) =>
  controlLine(rig, controlId, (shown) => shown(value))
