import { alterRole, cablesIn, isForMidi, silencedBy, type Rig, roleOf } from '#core/rig'
import type { FindingOf } from '../finding'

export type ThruOff = FindingOf<
  'thruOff',
  { readonly box: string; readonly jack: string; readonly silenced: readonly string[] }
>

/** A jack that could hand on what comes in, has a cable behind it, and is set not to. */
export function thruOff(rig: Rig): ThruOff[] {
  return Object.values(rig.devices).flatMap((box) =>
    box.ports.flatMap((port): ThruOff[] => {
      const role = roleOf(port)
      if (!('passes' in role) || role.passes !== 'off') return []
      const behind = cablesIn(rig, box.id, port.id).filter(
        (link) => isForMidi(link) && (role.kind !== 'midiOut' || link.from.end.id === box.id),
      )
      const silenced = silencedBy(
        rig,
        ({ cables, through }) =>
          through.includes(box.id) && behind.some(({ cable }) => cables.includes(cable.id)),
      )
      // Nothing behind it waits for messages from further up: a USB cable to the computer, say.
      if (silenced.length === 0) return []
      const fix = alterRole(rig, box.id, port.id, { passes: 'on' })
      return [
        {
          code: 'thruOff',
          severity: 'error',
          about: { table: 'devices', id: box.id, field: `ports.${port.id}` },
          facts: { box: box.name, jack: port.name, silenced },
          ...(fix && { fix }),
        },
      ]
    }),
  )
}
