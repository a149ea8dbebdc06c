import { boxName, change, type Edit, type Rig } from '#core/rig'
import { own } from '#core/base'
import { clockPlan, type ClockAt } from '#core/switching'
import type { FindingOf } from '../finding'

export type ClockHarm = FindingOf<
  'clockHarm',
  { readonly device: string; readonly from: string; readonly box: string; readonly jack: string }
>

export type TwoClocks = FindingOf<
  'twoClocks',
  {
    readonly device: string
    /** Whose clocks come; one name where one comes by several ways. */
    readonly from: readonly string[]
    readonly ways: number
  }
>

const givers = (rig: Rig, { ways }: ClockAt): string[] => [
  ...new Set(ways.map(({ from }) => boxName(rig, from))),
]

/** A clock comes to a device that misbehaves on it. */
export const clockHarm = (rig: Rig): ClockHarm[] =>
  clockPlan(rig)
    .filter(({ verdict }) => verdict === 'harmed')
    .map((at): ClockHarm => {
      const { box, jack } = at.ways[0]!.last
      const fix = keptBackFrom(rig, at)
      return {
        code: 'clockHarm',
        severity: 'error',
        about: { table: 'devices', id: at.box.id },
        facts: {
          device: at.box.name,
          from: givers(rig, at).join(', '),
          box: boxName(rig, box),
          jack: jack.name,
        },
        ...(fix && { fix }),
      }
    })

/** Several clocks, or one that comes twice: what follows runs away, or at double tempo. */
export const twoClocks = (rig: Rig): TwoClocks[] =>
  clockPlan(rig)
    .filter(({ verdict }) => verdict === 'two')
    .map((at): TwoClocks => ({
      code: 'twoClocks',
      severity: 'error',
      about: { table: at.table, id: at.box.id },
      facts: { device: at.box.name, from: givers(rig, at), ways: at.ways.length },
    }))

/** Clock kept back at the last jack of every way to a device; null where one of them is a plain thru or no such jack. */
export function keptBackFrom(rig: Rig, { ways }: Pick<ClockAt, 'ways'>): Edit | null {
  const after = new Map<string, { table: 'controllers' | 'devices'; jacks: Set<string> }>()
  for (const { last } of ways) {
    const role = last.jack.roles[last.jack.role]!
    if (role.kind !== 'midiOut' || role.isThru) return null
    const table = own(rig.controllers, last.box) ? 'controllers' : 'devices'
    const one = after.get(last.box) ?? { table, jacks: new Set<string>() }
    after.set(last.box, { ...one, jacks: new Set([...one.jacks, last.jack.id]) })
  }
  const changes = [...after].flatMap(([id, { table, jacks }]) => {
    const kept = <Row extends { readonly ports: Rig['devices'][string]['ports'] }>(row: Row): Row => ({
      ...row,
      ports: row.ports.map((port) =>
        jacks.has(port.id)
          ? {
              ...port,
              roles: port.roles.map((role, n) =>
                n === port.role && role.kind === 'midiOut' ? { ...role, clock: 'kept' as const } : role,
              ),
            }
          : port,
      ),
    })
    if (table === 'controllers') {
      const row = own(rig.controllers, id)
      return row ? [change('controllers', id, row, kept(row))] : []
    }
    const row = own(rig.devices, id)
    return row ? [change('devices', id, row, kept(row))] : []
  })
  return changes.length === 0 ? null : { label: 'setClock', changes }
}
