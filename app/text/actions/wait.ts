import type { ActionOf } from '#core'
import { secondsText } from '~/text/times'
import { ownLine, type ActionText } from './actionText'

export const wait: ActionText<ActionOf<'wait'>> = (_, { ms }) => ownLine('Wait', secondsText(ms))
