import type { ActionOf } from '#core'
import { controlLine, type ActionText } from './actionText'

export const stepControl: ActionText<ActionOf<'stepControl'>> = (rig, { controlId, by, atEnd }) =>
  controlLine(
    rig,
    controlId,
    () => `${by > 0 ? 'up' : 'down'} ${Math.abs(by)}${atEnd === 'wrap' ? ', round at the ends' : ''}`,
  )
