import type { ActionOf } from '#core/rig'
import { controlLine, ownLine, type ActionText } from './actionText'

export const tap: ActionText<ActionOf<'tap'>> = {
  name: 'Tap',
  lines: (rig, { controlId }) =>
    controlId === null ? ownLine('Tempo', 'tap') : controlLine(rig, controlId, () => 'tap'),
  short: () => 'tap the tempo',
}
