import { own } from '#core/base'
import { type Rig, highestValue, type DeviceId } from '#core/rig'
import { contactKey, type Known } from './known'

/** One thing that is so of the devices while a lamp is right to be lit. */
export type Claim =
  | { readonly kind: 'preset'; readonly deviceId: DeviceId; readonly index: number }
  | { readonly kind: 'value'; readonly controlId: string; readonly value: number }
  | { readonly kind: 'on'; readonly controlId: string }
  | {
      readonly kind: 'contact'
      readonly deviceId: DeviceId
      readonly contactId: string
      readonly isClosed: boolean
    }

/** Whether a value of a control counts as on: of a switch the upper half, of anything else every value but the lowest. */
export function isOn(rig: Rig, controlId: string, value: number): boolean {
  const control = own(rig.controls, controlId)
  if (!control) return false
  return control.reading.kind === 'switch' ? value > highestValue(control.address) / 2 : value > 0
}

/** What a control holds that is told by its values; null for one that fires or takes steps at each message. */
export function holdsValue(rig: Rig, controlId: string): 'switched' | 'value' | null {
  const kind = own(rig.controls, controlId)?.reading.kind
  if (kind === undefined || kind === 'trigger' || kind === 'increment') return null
  return kind === 'switch' || kind === 'toggle' ? 'switched' : 'value'
}

/** What sets a control to a value makes so; nothing where no value tells. */
export function valueClaims(rig: Rig, controlId: string, value: number): readonly Claim[] {
  return holdsValue(rig, controlId) === null ? [] : [{ kind: 'value', controlId, value }]
}

/** Values as something has them: by preset of a device, value of a control, contact. Undefined where it is not known. */
export interface Facts {
  readonly preset: (deviceId: string) => number | undefined
  readonly value: (controlId: string) => number | undefined
  readonly contact: (deviceId: string, contactId: string) => boolean | undefined
}

/** Whether a claim is so by some facts; null when they do not tell. */
export function holds(rig: Rig, claim: Claim, facts: Facts): boolean | null {
  switch (claim.kind) {
    case 'preset': {
      const preset = facts.preset(claim.deviceId)
      return preset === undefined ? null : preset === claim.index
    }
    case 'contact': {
      const isClosed = facts.contact(claim.deviceId, claim.contactId)
      return isClosed === undefined ? null : isClosed === claim.isClosed
    }
    default: {
      const value = facts.value(claim.controlId)
      if (value === undefined) return null
      if (claim.kind === 'on') return isOn(rig, claim.controlId, value)
      return holdsValue(rig, claim.controlId) === 'switched'
        ? isOn(rig, claim.controlId, value) === isOn(rig, claim.controlId, claim.value)
        : value === claim.value
    }
  }
}

/** What a controller believes of the devices: what it last sent. */
export const believed = ({ presets, values, contacts }: Known): Facts => ({
  preset: (deviceId) => own(presets, deviceId),
  value: (controlId) => own(values, controlId),
  contact: (deviceId, contactId) => own(contacts, contactKey(deviceId, contactId)),
})
