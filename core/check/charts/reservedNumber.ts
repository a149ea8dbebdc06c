import { own } from '#core/base'
import { nextFreeNumber, allControls } from '#core/chart'
import { CONTROLLER, reservedFor } from '#core/midi'
import { editRow, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type ReservedNumber = FindingOf<
  'reservedNumber',
  {
    readonly device: string
    readonly control: string
    readonly number: number
    readonly what: 'mode' | 'bankSelect' | 'parameterNumbers'
    readonly free: number | null
  }
>

/** Numbers that only choose an NRPN or RPN (M1 v4.2.1, table III; from memory): a chart that lists them explains NRPN. */
const isChooser = (number: number): boolean => number >= CONTROLLER.nrpnLsb && number <= CONTROLLER.rpnMsb

/** A parameter on a number the standard keeps: 98-101 and 120-127 always, 0 and 32 with bank select, 6, 38, 96 and 97 with NRPN. */
export function reservedNumber(rig: Rig): ReservedNumber[] {
  const usesNrpn = new Set(
    Object.values(rig.controls).flatMap(({ address, deviceId }) =>
      address.kind === 'nrpn' || isChooser(address.number) ? [deviceId] : [],
    ),
  )
  return allControls(rig).flatMap((control): ReservedNumber[] => {
    const device = own(rig.devices, control.deviceId)
    const { address } = control
    if (!device || address.kind !== 'cc' || control.kind === 'reserved') return []
    const what = reservedFor(address.number)
    const isTaken =
      what === 'mode' ||
      (what === 'bankSelect' && device.numbering.bankSelect !== 'none') ||
      (what === 'parameterNumbers' && usesNrpn.has(device.id))
    if (!what || !isTaken) return []
    const free = control.kind === 'assignable' ? nextFreeNumber(rig, device, address.number) : null
    // What the device keeps for itself stays in the chart, and is offered nowhere.
    const fix =
      free === null
        ? editRow(rig, 'changeControl', 'controls', control.id, { kind: 'reserved' })
        : editRow(rig, 'changeControl', 'controls', control.id, {
            address: { kind: 'cc', number: free as never },
          })
    return [
      {
        code: 'reservedNumber',
        severity: 'error',
        about: { table: 'controls', id: control.id },
        facts: { device: device.name, control: control.name, number: address.number, what, free },
        ...(fix && { fix }),
      },
    ]
  })
}
