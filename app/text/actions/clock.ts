import type { ActionOf } from '#core'
import { ownLine, type ActionText } from './actionText'

export const clock: ActionText<ActionOf<'clock'>> = (_, { does }) =>
  ownLine('Clock', does === 'change' ? 'start or stop' : does)
