import type { ActionOf } from '#core/rig'
import { ownLine, type ActionText } from './actionText'

export const clock: ActionText<ActionOf<'clock'>> = {
  name: 'Clock',
  lines: (_, { does }) => ownLine('Clock', does === 'change' ? 'start or stop' : does),
  short: () => 'clock',
}
