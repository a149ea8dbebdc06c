import type { Pair } from './table/pair'
import type { Preset } from './table/preset'
import type { SetValue } from './table/setValue'
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
  controls: (control) => [{ path: ['deviceId'], table: 'devices', id: control.deviceId }],
  presets: (preset) => [
    { path: ['deviceId'], table: 'devices', id: preset.deviceId },
    ...valueReferences('recalls', preset.recalls),
    ...controlReferences('entered', preset.entered),
    ...controlReferences('lacks', preset.lacks),
  ],
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
  pairs: (pair) => [
    { path: ['deviceId'], table: 'devices', id: pair.deviceId },
    ...valueReferences('a', pair.a),
    ...valueReferences('b', pair.b),
  ],
  marks: () => [],
}

const valueReferences = (field: string, values: readonly SetValue[]): Reference[] =>
  values.map(({ controlId }, n) => ({ path: [field, n, 'controlId'], table: 'controls', id: controlId }))

const controlReferences = (field: string, ids: readonly string[]): Reference[] =>
  ids.map((id, n) => ({ path: [field, n], table: 'controls', id }))

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
  const clean = cleaning[table]
  // What is named by the row's own field, or by a cable's end, it cannot be without.
  if (!clean || lost.some(({ path }) => path.length === 1)) return null
  return clean(row, (of, id) => !removed.has(rowKey(of, id)))
}

type Keeps = (table: TableName, id: string) => boolean

/** Tables whose rows only mention others in lists: what is left of such a row. */
const cleaning: { readonly [Table in TableName]?: (row: Tables[Table], keeps: Keeps) => Tables[Table] } = {
  switches: (footswitch, keeps) => {
    const kept = (actions: Footswitch['release']) =>
      actions.filter(({ presetId }) => keeps('presets', presetId))
    return { ...footswitch, positions: footswitch.positions.map(kept), release: kept(footswitch.release) }
  },
  presets: (preset, keeps): Preset => ({
    ...preset,
    recalls: preset.recalls.filter(({ controlId }) => keeps('controls', controlId)),
    entered: preset.entered.filter((id) => keeps('controls', id)),
    lacks: preset.lacks.filter((id) => keeps('controls', id)),
  }),
  pairs: (pair, keeps): Pair => ({
    ...pair,
    a: pair.a.filter(({ controlId }) => keeps('controls', controlId)),
    b: pair.b.filter(({ controlId }) => keeps('controls', controlId)),
  }),
}

/** Names a row across tables. */
export const rowKey = (table: TableName, id: string): string => `${table}/${id}`
