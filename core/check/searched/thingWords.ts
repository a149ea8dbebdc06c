import { own } from '#core/base'
import {
  contactsOf,
  heldContacts,
  shownText,
  byIndex,
  inOrder,
  type Rig,
  highestValue,
  type Device,
  type Thing,
} from '#core/rig'
import { type Part, type PartValue, contactPart, controlPart, presetPart, readPart } from '#core/prove'
import { presetText } from '#core/sound'
import { holdsValue, isOn } from '#core/switching'

/** "Tape echo preset 7 Slap", "Reverb Bypass on", "Bass amp Channel closed". */
export function thingText(rig: Rig, thing: Thing): string {
  if (thing.kind === 'contact') {
    const part = contactPart(thing.deviceId, thing.contactId)
    return `${thingName(rig, part)} ${valueName(rig, part, thing.isClosed)}`
  }
  if (thing.kind === 'control') {
    // "Preamp on" is off, not "Preamp on off".
    const name = thingName(rig, controlPart(rig, thing.controlId)).replace(/ (on|off)$/i, '')
    return `${name} ${thing.isOn ? 'on' : 'off'}`
  }
  const preset = own(rig.presets, thing.presetId)
  const part = presetPart(preset?.deviceId ?? '')
  return `${thingName(rig, part)} ${valueName(rig, part, preset?.index)}`
}

/** All that can be said of a device by whether it is so. */
export function thingChoices(rig: Rig, device: Device): Thing[] {
  const presets = Object.values(rig.presets).filter(({ deviceId }) => deviceId === device.id)
  const controls = inOrder(rig.controls).filter(
    ({ id, deviceId }) => deviceId === device.id && holdsValue(rig, id) !== null,
  )
  return [
    ...byIndex(Object.fromEntries(presets.map((preset) => [preset.id, preset]))).map(({ id }): Thing => ({
      kind: 'preset',
      presetId: id,
    })),
    ...controls.flatMap(({ id }): Thing[] =>
      [true, false].map((isOn) => ({ kind: 'control', controlId: id, isOn })),
    ),
    ...heldContacts(rig, device).flatMap(({ id }): Thing[] =>
      [true, false].map((isClosed) => ({ kind: 'contact', deviceId: device.id, contactId: id, isClosed })),
    ),
  ]
}

/** "Bass preamp Blend", "Tape echo preset". */
export function thingName(rig: Rig, part: Part): string {
  const thing = readPart(part)
  const device = own(rig.devices, thing?.deviceId ?? '')
  const name = device?.name ?? ''
  if (thing?.kind === 'preset') return `${name} preset`.trim()
  if (thing?.kind === 'contact') {
    const contact = device && contactsOf(rig, device).find(({ id }) => id === thing.contactId)
    return contact && contact.name !== name ? `${name} ${contact.name}` : `${name} contact`
  }
  return `${name} ${own(rig.controls, thing?.controlId ?? '')?.name ?? ''}`.trim()
}

export function valueName(rig: Rig, part: Part, value: PartValue): string {
  const thing = readPart(part)
  if (value === undefined || !thing) return ''
  if (thing.kind === 'contact') return value ? 'closed' : 'open'
  if (thing.kind === 'preset') {
    const device = own(rig.devices, thing.deviceId)
    return device ? presetText(rig, device, value as number) : ''
  }
  const control = own(rig.controls, thing.controlId)
  if (!control) return String(value)
  return holdsValue(rig, control.id) === 'switched'
    ? isOn(rig, control.id, value as number)
      ? 'on'
      : 'off'
    : shownText(control.reading, value as number, highestValue(control.address))
}
