import type { ActionOf } from '#core'
import { deviceLine, type ActionText } from './actionText'

export const tapOut: ActionText<ActionOf<'tapOut'>> = (rig, { deviceId }) =>
  deviceLine(rig, deviceId, 'tempo tapped out')
