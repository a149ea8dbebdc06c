import { own } from '#core/base'
import { encodeMessages, type ChannelMessage, wireTime } from '#core/midi'
import {
  type Output,
  sendChannel,
  controlMessages,
  recallMessages,
  type Rig,
  type Device,
  type DeviceId,
  type BlockName,
  type Sound,
} from '#core/rig'
import { canBeSet, wantsOf, type Want } from './want'

/** Messages to one device that are sent in one go. */
export interface Block extends BlockName {
  readonly messages: readonly ChannelMessage[]
  /** How long it keeps the wire busy, in µs. */
  readonly length: number
}

/** A contact of a controller closed or opened for a device. */
export interface ContactSet {
  readonly deviceId: DeviceId
  readonly contactId: string
  readonly isClosed: boolean
  readonly output: Output
}

export interface Parts {
  readonly blocks: readonly Block[]
  readonly contacts: readonly ContactSet[]
}

/** All that is sent and closed for a sound, device by device, in no order yet. */
export function partsOf(rig: Rig, sound: Sound, runningStatus: boolean): Parts {
  const wants = [...wantsOf(rig, sound)]
  return {
    blocks: wants.flatMap(([id, want]) => blocksOf(rig, own(rig.devices, id)!, want, runningStatus)),
    contacts: wants.flatMap(([deviceId, want]) => contactsOfWant(deviceId, want)),
  }
}

/** The contacts closed and opened for a want, where an output does it. */
export const contactsOfWant = (deviceId: DeviceId, want: Want): ContactSet[] =>
  want.kind === 'be'
    ? want.contacts.flatMap(({ contact, isClosed }): ContactSet[] =>
        contact.output ? [{ deviceId, contactId: contact.id, isClosed, output: contact.output }] : [],
      )
    : []

/** The recall of a device, and the controls behind it, each as far as the want has one. */
export function blocksOf(rig: Rig, device: Device, want: Want, runningStatus: boolean): Block[] {
  const channel = sendChannel(rig, device)
  if (want.kind !== 'be' || channel === null) return []
  const recall = want.preset === null ? [] : recallMessages(device.numbering, channel, want.preset)
  const controls = want.sets.flatMap(({ controlId, value }) => {
    const control = own(rig.controls, controlId)
    return control && canBeSet(control, value) ? controlMessages(control.address, channel, value) : []
  })
  return (
    [
      ['recall', recall],
      ['controls', controls],
    ] as const
  ).flatMap(([part, messages]) =>
    messages.length === 0
      ? []
      : [
          {
            deviceId: device.id,
            part,
            messages,
            length: wireTime(encodeMessages(messages, { runningStatus }).length),
          },
        ],
  )
}
