import type { ActionOf } from '#core/rig'
import { deviceName, deviceLine, type ActionText } from './actionText'

export const tapOut: ActionText<ActionOf<'tapOut'>> = {
  name: 'Tap out the tempo',
  lines: (rig, { deviceId }) => deviceLine(rig, deviceId, 'tempo tapped out'),
  short: (rig, { deviceId }) => `tempo to ${deviceName(rig, deviceId)}`,
}
