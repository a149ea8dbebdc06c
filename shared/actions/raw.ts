import { readBytes } from '#core/midi'
import type { ActionOf } from '#core/rig'
import { messageText } from '../words/messages'
import { deviceLine, type ActionText } from './actionText'

export const raw: ActionText<ActionOf<'raw'>> = {
  name: 'Message in bytes',
  lines: (rig, { deviceId, hex }) => {
    const read = readBytes(hex)
    const said = read.ok ? read.value.messages.map(messageText).join(', ') : 'no message'
    return deviceLine(rig, deviceId, said)
  },
  short: () => 'a message',
}
