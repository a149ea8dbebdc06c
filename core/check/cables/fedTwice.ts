import { editRow, removeRow, carriesPower, powerPlan, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type FedTwice = FindingOf<
  'fedTwice',
  {
    readonly box: string
    readonly by: readonly { readonly box: string; readonly jack: string }[]
    readonly overMidi: boolean
  }
>

/** A box that gets its power from two places at once. The fix takes the MIDI cable's spare pins, or the last power cable, out. */
export function fedTwice(rig: Rig): FedTwice[] {
  return powerPlan(rig).consumers.flatMap(({ box, by }): FedTwice[] => {
    if (by.length < 2) return []
    const phantom = by.find(carriesPower)
    const fix = phantom
      ? editRow(rig, 'changeCable', 'cables', phantom.cable.id, { lead: 'din3' })
      : removeRow(rig, 'removeCable', 'cables', by.at(-1)!.cable.id)
    return [
      {
        code: 'fedTwice',
        severity: 'error',
        about: { table: 'kind' in box ? 'devices' : 'controllers', id: box.id },
        facts: {
          box: box.name,
          by: by.map(({ from, to }) => {
            const giver = from.box.id === box.id ? to : from
            return { box: giver.box.name, jack: giver.port.name }
          }),
          overMidi: phantom !== undefined,
        },
        ...(fix && { fix }),
      },
    ]
  })
}
