import { U7_MAX } from '#core/base'
import { reservedFor } from '#core/midi'
import { canOverhear, receivers, type Rig, type Device } from '#core/rig'
import { controlsOf } from './takeChart'

/** Why a controller number cannot be had on a device. */
export type Taken =
  | { readonly why: 'standard'; readonly what: 'mode' | 'bankSelect' | 'parameterNumbers' }
  /** By the device itself, or by one that hears the same channel. */
  | { readonly why: 'used'; readonly device: string; readonly control: string; readonly isReserved: boolean }

/** The devices that hear what is sent to one: itself, and those on its channel or on every channel. */
export function listenersBeside(rig: Rig, device: Device): Device[] {
  return receivers(rig).filter(
    (other) =>
      other.id === device.id ||
      (canOverhear(rig, other, device) &&
        (other.channel === 'omni' ||
          device.channel === 'omni' ||
          (other.channel === device.channel && other.channel !== 'none'))),
  )
}

/** Every controller number 0-127 with what takes it on this device's channel; null where it is free. */
export function takenNumbers(rig: Rig, device: Device): (Taken | null)[] {
  const taken: (Taken | null)[] = Array.from({ length: U7_MAX + 1 }, (_, number) => {
    const what = reservedFor(number)
    return what && { why: 'standard', what }
  })
  for (const other of listenersBeside(rig, device))
    for (const { address, name, kind } of controlsOf(rig, other.id))
      if (address.kind === 'cc')
        taken[address.number] ??= {
          why: 'used',
          device: other.name,
          control: name,
          isReserved: kind === 'reserved',
        }
  return taken
}

/** The lowest free number from `after` + 1 on, then from 0; null when none is. */
export function nextFreeNumber(rig: Rig, device: Device, after = -1): number | null {
  const free = takenNumbers(rig, device).flatMap((one, number) => (one === null ? [number] : []))
  return free.find((number) => number > after) ?? free[0] ?? null
}
