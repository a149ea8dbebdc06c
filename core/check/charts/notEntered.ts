import { own } from '#core/base'
import { allControls, usedPresets } from '#core/chart'
import { formatDisplay, type Rig, isEntryOpen } from '#core/rig'
import type { FindingOf } from '../finding'

export type NotEntered = FindingOf<
  'notEntered',
  { readonly device: string; readonly control: string; readonly presets: readonly string[] }
>

/** A control mapped preset by preset that has not been entered in presets the switches recall. */
export function notEntered(rig: Rig): NotEntered[] {
  const mapped = allControls(rig).filter(({ map }) => map === 'preset')
  // Who recalls what costs something to know: most rigs need not.
  if (mapped.length === 0) return []
  const recalled = usedPresets(rig)
  return mapped.flatMap((control): NotEntered[] => {
    const device = own(rig.devices, control.deviceId)
    if (!device) return []
    const missing = Object.values(rig.presets)
      .filter(
        (preset) =>
          preset.deviceId === device.id && recalled.has(preset.id) && isEntryOpen(control.id, preset),
      )
      .sort((a, b) => a.index - b.index)
    if (missing.length === 0) return []
    return [
      {
        code: 'notEntered',
        severity: 'warning',
        about: { table: 'controls', id: control.id },
        facts: {
          device: device.name,
          control: control.name,
          presets: missing.map(({ index, name }) =>
            `${formatDisplay(device.numbering, index)} ${name}`.trim(),
          ),
        },
      },
    ]
  })
}
