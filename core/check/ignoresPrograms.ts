import { editRow } from '../rig/edits/editRow'
import type { Rig } from '../rig/rig'
import type { FindingOf } from './finding'

export type IgnoresPrograms = FindingOf<
  'ignoresPrograms',
  { readonly device: string; readonly switches: number }
>

/** A device that is set not to obey program changes, and is sent some. */
export function ignoresPrograms(rig: Rig): IgnoresPrograms[] {
  const asked = new Map<string, Set<string>>()
  for (const { id, positions, release } of Object.values(rig.switches))
    for (const { presetId } of [...positions.flat(), ...release]) {
      const device = rig.presets[presetId]?.deviceId
      if (device) asked.set(device, (asked.get(device) ?? new Set()).add(id))
    }
  return [...asked].flatMap(([id, switches]): IgnoresPrograms[] => {
    const device = rig.devices[id]
    if (!device || device.receivesPrograms) return []
    const fix = editRow(rig, 'setPanel', 'devices', id, { receivesPrograms: true })
    return [
      {
        code: 'ignoresPrograms',
        severity: 'error',
        about: { table: 'devices', id, field: 'receivesPrograms' },
        facts: { device: device.name, switches: switches.size },
        ...(fix && { fix }),
      },
    ]
  })
}
