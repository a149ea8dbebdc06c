import { boxes, cablesIn, isPowering, phantomOf, type Rig, roleOf } from '#core/rig'
import type { FindingOf } from '../finding'

export type NoMidiPower = FindingOf<
  'noMidiPower',
  { readonly box: string; readonly jack: string; readonly others: readonly string[] }
>

/** A box with no power jack of its own that lives on its MIDI cable, and nothing at the other end gives any. */
export function noMidiPower(rig: Rig): NoMidiPower[] {
  return boxes(rig).flatMap((box): NoMidiPower[] => {
    if (box.ports.some(({ roles }) => roles.some(({ kind }) => kind === 'powerIn'))) return []
    const takers = box.ports.filter((port) => phantomOf(roleOf(port)) === 'takes')
    const cables = takers.flatMap((port) => cablesIn(rig, box.id, port.id))
    // Where a box gives and the lead lacks the pins, the lead is the finding.
    if (takers.length === 0 || cables.some(({ from, to }) => isPowering(from.meant, to.meant))) return []
    return [
      {
        code: 'noMidiPower',
        severity: 'error',
        about: {
          table: 'kind' in box ? 'devices' : 'controllers',
          id: box.id,
          field: `ports.${takers[0]!.id}`,
        },
        facts: {
          box: box.name,
          jack: takers[0]!.name,
          others: cables.map(({ from, to }) => (from.box.id === box.id ? to : from).box.name),
        },
      },
    ]
  })
}
