import { own } from '#core/base'
import {
  heldContacts,
  findPreset,
  type Rig,
  type Device,
  type DeviceId,
  storedValue,
  isOffPreset,
  isOffValue,
} from '#core/rig'
import { reachedBy, soundDevices, type TypedCell, canBeSet } from '#core/sound'
import type { FloorState } from './floor'

/**
 * The floor as it is now, as a sound would say it: for each device what is known of it. A device nothing is known
 * of, and one that only a foot moves, is not spoken of.
 */
export function floorCells(rig: Rig, state: FloorState): ReadonlyMap<DeviceId, TypedCell> {
  return new Map(
    soundDevices(rig).flatMap((device): [DeviceId, TypedCell][] => {
      const cell = cellNow(rig, state, device)
      return cell ? [[device.id, cell]] : []
    }),
  )
}

function cellNow(rig: Rig, state: FloorState, device: Device): TypedCell | null {
  const now = own(state.devices, device.id)
  if (!now || reachedBy(rig, device) === 'foot') return null
  const { bypass } = device
  const outputs = heldContacts(rig, device).filter(({ output }) => output !== null)
  if (reachedBy(rig, device) === 'contact') {
    const isKnown = outputs.some(({ id }) => own(now.contacts, id) !== undefined)
    return isKnown
      ? { kind: 'contacts', closes: outputs.flatMap(({ id }) => (own(now.contacts, id) ? [id] : [])) }
      : null
  }
  if (bypass.kind === 'control' && isOffValue(device, bypass.controlId, own(now.controls, bypass.controlId)))
    return { kind: 'off' }
  const preset = now.preset === null ? null : findPreset(rig, device.id, now.preset)
  const values = Object.values(rig.controls)
    .filter(({ deviceId }) => deviceId === device.id)
    .sort((a, b) => a.order - b.order)
    .flatMap((control) => {
      const value = own(now.controls, control.id)
      const isOn = bypass.kind === 'control' && bypass.controlId === control.id
      return value === undefined ||
        value === storedValue(preset, control.id) ||
        isOn ||
        !canBeSet(control, value)
        ? []
        : [{ controlId: control.id, value }]
    })
  if (now.preset !== null) {
    const isOff = isOffPreset(device, now.preset) && values.length === 0
    return isOff ? { kind: 'off' } : { kind: 'preset', index: now.preset, values }
  }
  return values.length > 0 ? { kind: 'values', values } : null
}
