import type { ActionOf } from '#core/rig'
import { ownLine, type ActionText } from './actionText'

export const resync: ActionText<ActionOf<'resync'>> = {
  name: 'Send all again',
  lines: () => ownLine('Everything', 'sent again'),
  short: () => 'send all again',
}
