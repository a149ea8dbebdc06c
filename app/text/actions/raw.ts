import { readBytes, type ActionOf } from '#core'
import { messageText } from '~/text/messages'
import { deviceLine, type ActionText } from './actionText'

export const raw: ActionText<ActionOf<'raw'>> = (rig, { deviceId, hex }) => {
  const read = readBytes(hex)
  const said = read.ok ? read.value.messages.map(messageText).join(', ') : 'no message'
  return deviceLine(rig, deviceId, said)
}
