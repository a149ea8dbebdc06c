import { arrivals, receivers, formatDisplay, inOrder, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type NoBankSelect = FindingOf<
  'noBankSelect',
  {
    readonly controller: string
    readonly device: string
    readonly banks: number
    /** The first and last preset of one bank, as the display shows them. */
    readonly first: string
    readonly last: string
  }
>

/** A controller that sends no bank select before a device with banks: it stays in the bank it was left in. */
export function noBankSelect(rig: Rig): NoBankSelect[] {
  return inOrder(rig.controllers).flatMap((controller) =>
    controller.sendsBankSelect
      ? []
      : receivers(rig).flatMap((device): NoBankSelect[] => {
          const { numbering } = device
          const { bankSelect, count, programsPerBank } = numbering
          if (
            bankSelect === 'none' ||
            count <= programsPerBank ||
            !arrivals(rig, controller.id).has(device.id)
          )
            return []
          return [
            {
              code: 'noBankSelect',
              severity: 'warning',
              about: { table: 'controllers', id: controller.id, field: `bankSelect/${device.id}` },
              facts: {
                controller: controller.name,
                device: device.name,
                banks: Math.ceil(count / programsPerBank),
                first: formatDisplay(numbering, 0),
                last: formatDisplay(numbering, programsPerBank - 1),
              },
            },
          ]
        }),
  )
}
