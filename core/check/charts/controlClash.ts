import { listenersBeside, nextFreeNumber, controlsOf } from '#core/chart'
import { receivers, editRow, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type ControlClash = FindingOf<
  'controlClash',
  {
    readonly number: number
    readonly device: string
    readonly control: string
    readonly otherDevice: string
    readonly other: string
    /** The number the fix gives it; null when the number is fixed or none is free. */
    readonly free: number | null
  }
>

/** One controller number with two meanings on one channel: on one device, or on two that hear each other's messages. */
export function controlClash(rig: Rig): ControlClash[] {
  const seen = new Set<string>()
  return receivers(rig).flatMap((device) => {
    const beside = listenersBeside(rig, device)
    const holders = new Map<number, { id: string; name: string; device: string; deviceId: string }>()
    const found: ControlClash[] = []
    for (const other of beside)
      for (const control of controlsOf(rig, other.id)) {
        if (control.address.kind !== 'cc') continue
        const { number } = control.address
        const holder = holders.get(number)
        // Two alike that share a channel on purpose are meant to hear the same.
        const isMeant =
          holder &&
          holder.deviceId !== other.id &&
          device.sharesChannel &&
          other.sharesChannel &&
          holder.name === control.name
        if (!holder)
          holders.set(number, { id: control.id, name: control.name, device: other.name, deviceId: other.id })
        else if (!isMeant && !seen.has(control.id) && control.id !== holder.id) {
          seen.add(control.id)
          const free = control.kind === 'assignable' ? nextFreeNumber(rig, other, number) : null
          const fix =
            free === null
              ? null
              : editRow(rig, 'changeControl', 'controls', control.id, {
                  address: { kind: 'cc', number: free as never },
                })
          found.push({
            code: 'controlClash',
            severity: 'error',
            about: { table: 'controls', id: control.id },
            facts: {
              number,
              device: other.name,
              control: control.name,
              otherDevice: holder.device,
              other: holder.name,
              free,
            },
            ...(fix && { fix }),
          })
        }
      }
    return found
  })
}
