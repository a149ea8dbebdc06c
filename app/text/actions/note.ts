import type { ActionOf } from '#core'
import { secondsText } from '~/text/times'
import { deviceLine, type ActionText } from './actionText'

export const note: ActionText<ActionOf<'note'>> = (rig, { deviceId, note: number, does, ms }) =>
  deviceLine(rig, deviceId, `note ${number} ${does === 'strike' ? `for ${secondsText(ms)}` : does}`)
