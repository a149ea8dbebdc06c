import type { ActionOf } from '#core/rig'
import { secondsText } from '../words/times'
import { deviceLine, type ActionText } from './actionText'

export const note: ActionText<ActionOf<'note'>> = {
  name: 'Note',
  lines: (rig, { deviceId, note: number, does, ms }) =>
    deviceLine(rig, deviceId, `note ${number} ${does === 'strike' ? `for ${secondsText(ms)}` : does}`),
  short: () => 'a message',
}
