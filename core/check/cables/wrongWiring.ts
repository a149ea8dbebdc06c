import {
  editRow,
  asRoles,
  isLeadRight,
  links,
  silencedBy,
  adaptersBetween,
  doesWiringFit,
  leadsBetween,
  type Rig,
  type Adapter,
  type Plug,
} from '#core/rig'
import type { FindingOf } from '../finding'

export type WrongWiring = FindingOf<
  'wrongWiring',
  {
    readonly from: string
    readonly to: string
    readonly out: Plug
    readonly into: Plug
    /** A TRRS or a mono plug where it makes no contact, or tip and ring the wrong way round. */
    readonly why: 'trrs' | 'mono' | 'wiring'
    /** The adapters on the cable now, and those that are right. */
    readonly has: readonly Adapter[]
    readonly adapters: readonly Adapter[]
    readonly silenced: readonly string[]
  }
>

/** A MIDI cable that arrives on the wrong contacts (RP-054). The fix takes the right lead and adapters. */
export function wrongWiring(rig: Rig): WrongWiring[] {
  return links(rig).flatMap((link): WrongWiring[] => {
    const roles = asRoles(link, 'midiOut', 'midiIn')
    if (!roles) return []
    const { cable } = link
    const why = !isLeadRight(link)
      ? cable.lead === 'ts'
        ? 'mono'
        : 'trrs'
      : doesWiringFit(roles.from.plug, roles.to.plug, cable.adapters)
        ? null
        : 'wiring'
    if (why === null) return []
    const adapters = [...adaptersBetween(roles.from.plug, roles.to.plug)]
    const lead = why !== 'wiring' ? leadsBetween(roles.from, roles.to)[0]! : cable.lead
    const fix = editRow(rig, 'changeCable', 'cables', cable.id, { lead, adapters })
    return [
      {
        code: 'wrongWiring',
        severity: 'error',
        about: { table: 'cables', id: cable.id },
        facts: {
          from: link.from.box.name,
          to: link.to.box.name,
          out: roles.from.plug,
          into: roles.to.plug,
          why,
          has: cable.adapters,
          adapters,
          silenced: silencedBy(rig, ({ cables }) => cables.includes(cable.id)),
        },
        ...(fix && { fix }),
      },
    ]
  })
}
