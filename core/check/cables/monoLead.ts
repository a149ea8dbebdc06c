import { asRoles, links, editRow, type Rig } from '#core/rig'
import type { FindingOf } from '../finding'

export type MonoLead = FindingOf<
  'monoLead',
  { readonly pedal: string; readonly box: string; readonly jack: string }
>

/** An expression pedal on a mono lead: its plug joins ring and sleeve, so that the pedal has no supply. The fix takes a TRS lead. */
export function monoLead(rig: Rig): MonoLead[] {
  return links(rig).flatMap((link): MonoLead[] => {
    const { cable, from, to } = link
    if (cable.lead !== 'ts' || !asRoles(link, 'expressionOut', 'expressionIn')) return []
    const fix = editRow(rig, 'changeCable', 'cables', cable.id, { lead: 'trs' })
    return [
      {
        code: 'monoLead',
        severity: 'error',
        about: { table: 'cables', id: cable.id },
        facts: { pedal: from.box.name, box: to.box.name, jack: to.port.name },
        ...(fix && { fix }),
      },
    ]
  })
}
