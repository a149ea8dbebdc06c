import type { ActionOf } from '#core'
import { controlLine, type ActionText } from './actionText'

export const alternateControl: ActionText<ActionOf<'alternateControl'>> = (rig, { controlId, a, b }) =>
  controlLine(rig, controlId, (shown) => `${shown(a)} or ${shown(b)}, in turn`)
