import type { ActionOf } from '#core'
import { secondsText } from '~/text/times'
import { controlLine, type ActionText } from './actionText'

export const sweepControl: ActionText<ActionOf<'sweepControl'>> = (rig, { controlId, from, to, ms }) =>
  controlLine(
    rig,
    controlId,
    (shown) => `${from === null ? 'to' : `${shown(from)} to`} ${shown(to)} in ${secondsText(ms)}`,
  )
