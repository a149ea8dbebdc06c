import type { ActionOf } from '#core'
import { ownLine, type ActionText } from './actionText'

export const allOff: ActionText<ActionOf<'allOff'>> = () => ownLine('Everything', 'off')
