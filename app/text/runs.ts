import { own, fixedText } from '#core/base'
import { readBytes } from '#core/midi'
import type { Rig } from '#core/rig'
import type { DeviceEnd, RunDifference } from '#core/simulate'
import { messageText } from '#shared/words/messages'
import { displayText } from './presets'

const seconds = (microseconds: number): string => `${fixedText(microseconds / 1_000_000, 3)} s`

/** "PC 11 (C3 0B)". */
function messageOf(hex: string): string {
  const read = readBytes(hex)
  const [message] = read.ok ? read.value.messages : []
  return message ? `${messageText(message)} (${hex})` : hex
}

/** One difference between a run as it was recorded and as it is now. */
export function differenceText(rig: Rig, one: RunDifference): string {
  switch (one.kind) {
    case 'missing':
      return `${seconds(one.was.start)}: ${messageOf(one.was.hex)} is no longer sent.`
    case 'new':
      return `${seconds(one.is.start)}: ${messageOf(one.is.hex)} is sent now, and was not.`
    case 'moved': {
      const by = (one.is.start - one.was.start) / 1000
      return `${seconds(one.was.start)}: ${messageOf(one.was.hex)} comes ${fixedText(Math.abs(by), 2)} ms ${by > 0 ? 'later' : 'earlier'}.`
    }
    case 'end':
      return endText(rig, one.id, one.was, one.is)
  }
}

function endText(rig: Rig, id: string, was: string | null, is: string | null): string {
  const [table = '', row = ''] = id.split('/')
  if (table === 'lamps') {
    const name = own(rig.switches, row)?.label || `switch ${own(rig.switches, row)?.number ?? ''}`
    return is === null
      ? `At the end the lamp of ${name} no longer lies.`
      : `At the end the lamp of ${name} lies now.`
  }
  const device = own(rig.devices, row)
  const name = device?.name ?? 'a device that is gone'
  const say = (text: string | null): string => (text === null ? 'not there' : endSaid(rig, row, text))
  return `At the end ${name} was ${say(was)}; now it is ${say(is)}.`
}

function endSaid(rig: Rig, deviceId: string, text: string): string {
  const { isOff, preset, values, contacts } = JSON.parse(text) as DeviceEnd
  const device = own(rig.devices, deviceId)
  if (isOff) return 'off'
  const parts = [
    preset === null ? '' : `in ${device ? displayText(device, preset) : preset}`,
    ...values.map(([id, value]) => `${own(rig.controls, id)?.name ?? id} ${value}`),
    ...contacts.map(([id, isClosed]) => `${id} ${isClosed ? 'closed' : 'open'}`),
  ].filter(Boolean)
  return parts.length === 0 ? 'as it was found' : parts.join(', ')
}
