import {
  setRole,
  removeRow,
  links,
  type PluggedEnd,
  silencedBy,
  type Rig,
  roleOf,
  type RoleKind,
} from '#core/rig'
import type { FindingOf } from '../finding'

export type WrongRole = FindingOf<
  'wrongRole',
  {
    readonly box: string
    readonly jack: string
    readonly other: string
    readonly set: RoleKind
    /** What it should be set to; null when it has no role that goes with the other end. */
    readonly wanted: RoleKind | null
    readonly silenced: readonly string[]
  }
>

/** A cable in a shared jack that is set to its other role, or in a jack that has no use for it. */
export function wrongRole(rig: Rig): WrongRole[] {
  return links(rig).flatMap((link) => {
    if (link.isSet) return []
    const silenced = silencedBy(rig, ({ cables }) => cables.includes(link.cable.id))
    if (link.isStray) {
      const fix = removeRow(rig, 'removeCable', 'cables', link.cable.id)
      return [
        {
          code: 'wrongRole',
          severity: 'error',
          about: { table: 'cables', id: link.cable.id },
          facts: { ...factsOf(link.from, link.to), wanted: null, silenced },
          ...(fix && { fix }),
        } as const,
      ]
    }
    return (
      [
        [link.from, link.to],
        [link.to, link.from],
      ] as const
    ).flatMap(([end, other]): WrongRole[] => {
      if (end.meant === roleOf(end.port)) return []
      const fix = setRole(rig, end.end.id, end.port.id, end.port.roles.indexOf(end.meant))
      return [
        {
          code: 'wrongRole',
          severity: 'error',
          about: { table: end.end.table, id: end.end.id, field: `ports.${end.port.id}` },
          facts: { ...factsOf(end, other), wanted: end.meant.kind, silenced },
          ...(fix && { fix }),
        },
      ]
    })
  })
}

const factsOf = (end: PluggedEnd, other: PluggedEnd) => ({
  box: end.box.name,
  jack: end.port.name,
  other: other.box.name,
  set: roleOf(end.port).kind,
})
