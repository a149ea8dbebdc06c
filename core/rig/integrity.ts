import { switchCount } from './table/controller'
import { ABOUT_ID } from './table/about'
import type { Cable } from './table/cable'
import { problemsOf, type Problem } from './problem'
import { referencesOf } from './references'
import { rowSchemas, TABLE_NAMES, type Rig, type TableName, type Tables } from './rig'

/** Everything wrong with one row by itself: types, ranges, lengths. */
export function rowProblems(table: TableName, id: string, row: unknown): Problem[] {
  const parsed = rowSchemas[table].safeParse(row)
  if (!parsed.success) return problemsOf(parsed.error, [table, id])
  return parsed.data.id === id ? [] : [{ path: [table, id, 'id'], code: 'wrongId', id: parsed.data.id }]
}

/**
 * Everything wrong between rows that are each valid: rows that name a missing row, two rows in one
 * place, places beyond what a device or controller has. Empty for a sound rig.
 */
export function rigProblems(rig: Rig): Problem[] {
  const problems: Problem[] = []
  if (!rig.about[ABOUT_ID] || Object.keys(rig.about).length !== 1)
    problems.push({ path: ['about'], code: 'noAbout' })
  for (const table of TABLE_NAMES) problems.push(...tableProblems(rig, table))
  return problems
}

function tableProblems<Table extends TableName>(rig: Rig, table: Table): Problem[] {
  const problems: Problem[] = []
  const places = new Map<string, string>()
  for (const [id, row] of Object.entries(rig[table]) as [string, Tables[Table]][]) {
    for (const reference of referencesOf(table, row))
      if (!Object.hasOwn(rig[reference.table], reference.id))
        problems.push({
          path: [table, id, ...reference.path],
          code: 'missingRow',
          table: reference.table,
          id: reference.id,
        })
    if (table === 'cables') problems.push(...looseEnds(rig, row as Cable))
    const place = placing[table]?.(row)
    if (!place) continue
    const by = places.get(place.key)
    if (by !== undefined) problems.push({ path: [table, id, place.field], code: 'taken', by })
    else places.set(place.key, id)
    const most = place.most(rig)
    if (most !== null && place.value > most)
      problems.push({ path: [table, id, place.field], code: 'beyond', value: place.value, most })
  }
  return problems
}

/** Ends at a jack their box does not have. */
function looseEnds(rig: Rig, cable: Cable): Problem[] {
  return (['from', 'to'] as const).flatMap((side) => {
    const { table, id, port } = cable[side]
    const box = rig[table][id]
    if (!box || box.ports.some((one) => one.id === port)) return []
    return [
      {
        path: ['cables', cable.id, side, 'port'],
        code: 'missingRow',
        table: `${table}.${id}.ports`,
        id: port,
      },
    ]
  })
}

/** A row's one place among its fellows; `most` is null when its owner is missing, which is said elsewhere. */
interface Place {
  readonly field: string
  readonly key: string
  readonly value: number
  readonly most: (rig: Rig) => number | null
}

const placing: { readonly [Table in TableName]?: (row: Tables[Table]) => Place } = {
  presets: ({ deviceId, index }) => ({
    field: 'index',
    key: `${deviceId}/${index}`,
    value: index,
    most: (rig) => minusOne(rig.devices[deviceId]?.numbering.count),
  }),
  banks: ({ controllerId, index }) => ({
    field: 'index',
    key: `${controllerId}/${index}`,
    value: index,
    most: (rig) => minusOne(rig.controllers[controllerId]?.bankCount),
  }),
  switches: ({ bankId, number }) => ({
    field: 'number',
    key: `${bankId}/${number}`,
    value: number,
    most: (rig) => {
      const controller = rig.controllers[rig.banks[bankId]?.controllerId ?? '']
      return controller ? switchCount(controller) : null
    },
  }),
}

const minusOne = (count: number | undefined) => (count === undefined ? null : count - 1)
