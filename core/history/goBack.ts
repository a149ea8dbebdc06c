import {
  editBetween,
  rowKey,
  withoutReferences,
  type Edit,
  TABLE_NAMES,
  type Rig,
  type RowsOf,
  type TableName,
  type Tables,
} from '#core/rig'

/** What happened in the world: going back in the plan does not undo it. */
export const FACT_TABLES: readonly TableName[] = [
  'marks',
  'runs',
  'rides',
  'practices',
  'keyIns',
  'dumps',
  'notes',
]

/**
 * `everything`: the rig is then what it was, to the byte. `plan`: what was keyed in, ticked, recorded and written since stays,
 * but for what would be about nothing.
 */
export type BackTo = 'everything' | 'plan'

/** The one edit that leads from a rig back to an earlier state of it; null where nothing would change. */
export const goBack = (now: Rig, then: Rig, what: BackTo): Edit | null =>
  editBetween('goBack', now, what === 'everything' ? then : planOf(now, then))

function planOf(now: Rig, then: Rig): Rig {
  const gone = new Set(
    TABLE_NAMES.filter((table) => !FACT_TABLES.includes(table)).flatMap((table) =>
      Object.keys(now[table]).flatMap((id) => (Object.hasOwn(then[table], id) ? [] : [rowKey(table, id)])),
    ),
  )
  const facts = Object.fromEntries(
    FACT_TABLES.map((table) => [table, keptRows(table, now[table], gone)]),
  ) as Partial<Rig>
  return { ...then, ...facts }
}

function keptRows<Table extends TableName>(table: Table, rows: RowsOf<Table>, gone: ReadonlySet<string>) {
  return Object.fromEntries(
    Object.values<Tables[Table]>(rows).flatMap((row) => {
      const kept = withoutReferences(table, row, gone)
      return kept ? [[kept.id, kept]] : []
    }),
  )
}
