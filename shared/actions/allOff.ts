import type { ActionOf } from '#core/rig'
import { ownLine, type ActionText } from './actionText'

export const allOff: ActionText<ActionOf<'allOff'>> = {
  name: 'Everything off',
  lines: () => ownLine('Everything', 'off'),
  short: () => 'all off',
}
