import type { ActionOf } from '#core/rig'
import { secondsText } from '../words/times'
import { ownLine, type ActionText } from './actionText'

export const wait: ActionText<ActionOf<'wait'>> = {
  name: 'Wait',
  lines: (_, { ms }) => ownLine('Wait', secondsText(ms)),
  short: () => '',
}
