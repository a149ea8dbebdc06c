import type { Footswitch } from './table/switch'
import type { TableName, Tables } from './rig'
import type { Path } from './problem'

/** One row naming another. `path` is inside the naming row. */
export interface Reference {
  readonly path: Path
  readonly table: TableName
  readonly id: string
}

type Referring = { readonly [Table in TableName]: (row: Tables[Table]) => Reference[] }

/** What each row refers to, table by table. */
const referring: Referring = {
  about: () => [],
  controllers: () => [],
  devices: () => [],
  presets: (preset) => [{ path: ['deviceId'], table: 'devices', id: preset.deviceId }],
  banks: (bank) => [{ path: ['controllerId'], table: 'controllers', id: bank.controllerId }],
  switches: (footswitch) => [
    { path: ['bankId'], table: 'banks', id: footswitch.bankId },
    ...footswitch.positions.flatMap((actions, position) =>
      actions.map(({ presetId }, n) => ({
        path: ['positions', position, n, 'presetId'],
        table: 'presets' as const,
        id: presetId,
      })),
    ),
    ...footswitch.release.map(({ presetId }, n) => ({
      path: ['release', n, 'presetId'],
      table: 'presets' as const,
      id: presetId,
    })),
  ],
  cables: ({ from, to }) => [
    { path: ['from', 'id'], table: from.table, id: from.id },
    { path: ['to', 'id'], table: to.table, id: to.id },
  ],
  marks: () => [],
}

export const referencesOf = <Table extends TableName>(table: Table, row: Tables[Table]): Reference[] =>
  referring[table](row)

/**
 * The row once the rows in `removed` are gone: null when it cannot be without them, the same object
 * when it named none of them.
 */
export function withoutReferences<Table extends TableName>(
  table: Table,
  row: Tables[Table],
  removed: ReadonlySet<string>,
): Tables[Table] | null {
  const lost = referencesOf(table, row).filter((reference) =>
    removed.has(rowKey(reference.table, reference.id)),
  )
  if (lost.length === 0) return row
  if (table !== 'switches' || lost.some(({ path }) => path[0] === 'bankId')) return null
  return withoutActions(row as Footswitch, removed) as Tables[Table]
}

function withoutActions(footswitch: Footswitch, removed: ReadonlySet<string>): Footswitch {
  const kept = (actions: Footswitch['release']) =>
    actions.filter(({ presetId }) => !removed.has(rowKey('presets', presetId)))
  return { ...footswitch, positions: footswitch.positions.map(kept), release: kept(footswitch.release) }
}

/** Names a row across tables. */
export const rowKey = (table: TableName, id: string): string => `${table}/${id}`
