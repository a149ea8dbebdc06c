import { own } from '#core/base'
import { contactsOf, type ActionOf } from '#core/rig'
import { count } from '../words/counts'
import { deviceName, deviceLine, type ActionText } from './actionText'

const DOES = { close: 'closed', open: 'open', change: 'changed over' } as const

export const contact: ActionText<ActionOf<'contact'>> = {
  name: 'Contact',
  lines: (rig, { deviceId, contactId, does, times, everyMs }) => {
    const device = own(rig.devices, deviceId)
    const all = device ? contactsOf(rig, device).filter(({ output }) => output !== null) : []
    const name = all.length > 1 ? `${all.find(({ id }) => id === contactId)?.name ?? 'contact'} ` : ''
    const pulses = `${count(times, 'pulse')}${times > 1 ? `, ${everyMs} ms apart` : ''}`
    return deviceLine(rig, deviceId, `${name}${does === 'pulse' ? pulses : DOES[does]}`)
  },
  short: (rig, { deviceId }) => deviceName(rig, deviceId),
}
