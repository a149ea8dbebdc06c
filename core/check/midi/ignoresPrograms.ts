import { own } from '#core/base'
import { editRow, perRow, type Rig, type Footswitch } from '#core/rig'
import { switchRecalls, COMPILE_KEYS } from '#core/switching'
import type { FindingOf } from '../finding'

export type IgnoresPrograms = FindingOf<
  'ignoresPrograms',
  { readonly device: string; readonly switches: number }
>

/** A device that is set not to obey program changes, and is sent some. */
export function ignoresPrograms(rig: Rig): IgnoresPrograms[] {
  const asked = new Map<string, number>()
  for (const footswitch of Object.values(rig.switches))
    for (const id of recalledOn(rig, footswitch)) asked.set(id, (asked.get(id) ?? 0) + 1)
  return [...asked].flatMap(([id, switches]): IgnoresPrograms[] => {
    const device = own(rig.devices, id)
    if (!device || device.receivesPrograms) return []
    const fix = editRow(rig, 'setPanel', 'devices', id, { receivesPrograms: true })
    return [
      {
        code: 'ignoresPrograms',
        severity: 'error',
        about: { table: 'devices', id, field: 'receivesPrograms' },
        facts: { device: device.name, switches },
        ...(fix && { fix }),
      },
    ]
  })
}

/** The devices a switch recalls presets on. */
const recalledOn = perRow(
  COMPILE_KEYS,
  (rig, footswitch: Footswitch): ReadonlySet<string> =>
    new Set(switchRecalls(rig, footswitch).map(({ deviceId }) => deviceId)),
)
