import type { ActionOf } from '#core/rig'
import { secondsText } from '../words/times'
import { controlName, controlLine, type ActionText } from './actionText'

export const sweepControl: ActionText<ActionOf<'sweepControl'>> = {
  name: 'Control, swept',
  lines: (rig, { controlId, from, to, ms }) =>
    controlLine(
      rig,
      controlId,
      (shown) => `${from === null ? 'to' : `${shown(from)} to`} ${shown(to)} in ${secondsText(ms)}`,
    ),
  short: (rig, { controlId }) => controlName(rig, controlId),
}
