import type { ActionOf } from '#core'
import { ownLine, type ActionText } from './actionText'

export const resync: ActionText<ActionOf<'resync'>> = () => ownLine('Everything', 'sent again')
