import { dequal } from 'dequal/lite'
import { own, accept, refuse, type Result } from '#core/base'
import type { Change } from './edit'
import { problemsOf, type Problem } from './problem'
import { referencesOf, rowKey } from './references'
import { RIG_BYTES_MAX, rigBytes, rigBytesAfter } from './rigBytes'
import { rowSchemas, TABLE_NAMES, type Rig, type TableName, type Tables } from './rig'
import { ABOUT_ID } from './table/about'
import type { Bank } from './table/bank'
import type { Cable } from './table/cable'
import type { Macro } from './table/macro'
import type { Sound } from './table/sound'
import { switchCount } from './table/controller'
import { slotKey } from './edits/switchSlot'
import { namedIn } from './table/action'

/** More rows than this in one table is no rig. */
export const ROWS_MAX = 20_000

/** A row as its schema reads it, or everything wrong with it by itself: types, ranges, lengths. */
export function readRow<Table extends TableName>(
  table: Table,
  id: string,
  row: unknown,
): Result<Tables[Table], Problem[]> {
  const parsed = rowSchemas[table].safeParse(row)
  if (!parsed.success) return refuse(problemsOf(parsed.error, [table, id]))
  return parsed.data.id === id
    ? accept(parsed.data as Tables[Table])
    : refuse([{ path: [table, id, 'id'], code: 'wrongId', id: parsed.data.id }])
}

/**
 * Everything wrong between rows that are each valid: rows that name a missing row, two rows in one
 * place, places beyond what a device or controller has, more than a rig may hold. Empty for a sound rig.
 */
export function rigProblems(rig: Rig): Problem[] {
  const problems: Problem[] = hasOneAbout(rig) ? [] : [{ path: ['about'], code: 'noAbout' }]
  for (const table of TABLE_NAMES) for (const problem of tableProblems(rig, table)) problems.push(problem)
  if (rigBytes(rig) > RIG_BYTES_MAX) problems.push({ path: [], code: 'rigTooLarge', most: RIG_BYTES_MAX })
  return problems
}

/**
 * What {@link rigProblems} says of `next`, which is the sound rig `rig` after `changes`; looks only where
 * those reach. An edit costs what it changes, not what the rig holds.
 */
export const problemsAfter = (rig: Rig, next: Rig, changes: readonly Change[]): Problem[] =>
  isStillSound(rig, next, changes) ? [] : rigProblems(next)

function isStillSound(rig: Rig, next: Rig, changes: readonly Change[]): boolean {
  // One that is too large already may still be made smaller.
  if (rigBytesAfter(rig, next, changes) > Math.max(RIG_BYTES_MAX, rigBytes(rig))) return false
  if (changes.some(({ table }) => table === 'about') && !hasOneAbout(next)) return false
  for (const { table, id, after } of changes) if (after && !stands(next, table, id, after)) return false
  return TABLE_NAMES.every((table) => hasRoom(next, table, changes)) && dependentsStand(next, changes)
}

const hasOneAbout = ({ about }: Rig): boolean =>
  own(about, ABOUT_ID) !== undefined && Object.keys(about).length === 1

const stands = <Table extends TableName>(rig: Rig, table: Table, id: string, row: Tables[Table]): boolean =>
  rowProblemsIn(rig, table, id, row).length === 0

/** No more rows than may be, and none of those that came or moved in another's place. */
function hasRoom(next: Rig, table: TableName, changes: readonly Change[]): boolean {
  const ours = changes.filter((one) => one.table === table)
  if (ours.some(({ before }) => before === null) && Object.keys(next[table]).length > ROWS_MAX) return false
  const isMoved = ({ before, after }: Change) =>
    after !== null && (before === null || placeKey(table, before) !== placeKey(table, after))
  if (!placing[table] || !ours.some(isMoved)) return true
  const keys = Object.values(next[table]).map((row) => placeKey(table, row))
  return new Set(keys).size === keys.length
}

/** The fields of a row that rows naming it are measured against. */
const measures: { readonly [Table in TableName]?: readonly string[] } = {
  controllers: ['bankCount', 'rows', 'columns', 'ports'],
  devices: ['numbering', 'ports'],
  banks: ['controllerId', 'pageOf'],
  macros: ['actions'],
}

const isMeasuredAgain = ({ table, before, after }: Change): boolean =>
  before !== null &&
  (after === null ||
    (measures[table] ?? []).some((field) => !dequal(Reflect.get(before, field), Reflect.get(after, field))))

/** Whether rows that name what has gone, or what has changed its measures, are still right. */
function dependentsStand(next: Rig, changes: readonly Change[]): boolean {
  const altered = new Set(changes.filter(isMeasuredAgain).map(({ table, id }) => rowKey(table, id)))
  if (altered.size === 0) return true
  // Tables stand in the order of reference, so one pass finds the switches of the banks of a controller.
  for (const table of TABLE_NAMES)
    for (const [id, row] of rowsOf(next, table)) {
      if (!referencesOf(table, row).some((one) => altered.has(rowKey(one.table, one.id)))) continue
      if (!stands(next, table, id, row)) return false
      if (measures[table]) altered.add(rowKey(table, id))
    }
  return true
}

const rowsOf = <Table extends TableName>(rig: Rig, table: Table) =>
  Object.entries(rig[table]) as [string, Tables[Table]][]

function tableProblems<Table extends TableName>(rig: Rig, table: Table): Problem[] {
  const problems: Problem[] = []
  const places = new Map<string, string>()
  const rows = rowsOf(rig, table)
  if (rows.length > ROWS_MAX)
    problems.push({ path: [table], code: 'tooBig', most: ROWS_MAX, counts: 'entries' })
  for (const [id, row] of rows) {
    const place = placing[table]?.(row)
    if (place) {
      const by = places.get(place.key)
      if (by !== undefined) problems.push({ path: [table, id, place.field], code: 'taken', by })
      else places.set(place.key, id)
    }
    problems.push(...rowProblemsIn(rig, table, id, row))
  }
  return problems
}

/** What is wrong with a row among others of its rig, its place being free. */
function rowProblemsIn<Table extends TableName>(
  rig: Rig,
  table: Table,
  id: string,
  row: Tables[Table],
): Problem[] {
  const problems: Problem[] = []
  for (const reference of referencesOf(table, row))
    if (!Object.hasOwn(rig[reference.table], reference.id))
      problems.push({
        path: [table, id, ...reference.path],
        code: 'missingRow',
        table: reference.table,
        id: reference.id,
      })
  if (table === 'cables') problems.push(...looseEnds(rig, row as Cable))
  if (table === 'macros' && runsItself(rig, row as Macro))
    problems.push({ path: ['macros', id, 'actions'], code: 'ownMacro' })
  if (table === 'banks' && isOwnPage(rig, row as Bank))
    problems.push({ path: ['banks', id, 'pageOf'], code: 'ownPage' })
  if (table === 'sounds' && isOwnAncestor(rig, row as Sound))
    problems.push({ path: ['sounds', id, 'parentId'], code: 'ownParent' })
  const place = placing[table]?.(row)
  const most = place?.most(rig) ?? null
  if (place && most !== null && place.value > most)
    problems.push({ path: [table, id, place.field], code: 'beyond', value: place.value, most })
  return problems
}

/** Whether a sound is a variant of itself, by way of others or not. */
function isOwnAncestor(rig: Rig, sound: Sound): boolean {
  const seen = new Set<string>()
  for (let id = sound.parentId; id !== null && !seen.has(id); id = own(rig.sounds, id)?.parentId ?? null) {
    if (id === sound.id) return true
    seen.add(id)
  }
  return false
}

/** Whether a macro runs itself, by way of others or not. */
function runsItself(rig: Rig, macro: Macro): boolean {
  const seen = new Set<string>()
  const todo = [macro]
  for (let one = todo.pop(); one; one = todo.pop())
    for (const action of one.actions) {
      const runs = namedIn(action, 'macros')
      if (runs === null || seen.has(runs)) continue
      if (runs === macro.id) return true
      seen.add(runs)
      const next = own(rig.macros, runs)
      if (next) todo.push(next)
    }
  return false
}

/** Pages are of a bank of the same controller that is no page itself. */
function isOwnPage(rig: Rig, { id, pageOf, controllerId }: Bank): boolean {
  if (pageOf === null) return false
  const first = own(rig.banks, pageOf)
  return (
    pageOf === id || (first !== undefined && (first.pageOf !== null || first.controllerId !== controllerId))
  )
}

/** Ends at a jack their box does not have. */
function looseEnds(rig: Rig, cable: Cable): Problem[] {
  return (['from', 'to'] as const).flatMap((side) => {
    const { table, id, port } = cable[side]
    const box = own<Tables['controllers' | 'devices']>(rig[table], id)
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
    most: (rig) => minusOne(own(rig.devices, deviceId)?.numbering.count),
  }),
  banks: ({ controllerId, index }) => ({
    field: 'index',
    key: `${controllerId}/${index}`,
    value: index,
    most: (rig) => minusOne(own(rig.controllers, controllerId)?.bankCount),
  }),
  switches: ({ bankId, number, jack, layer }) => ({
    field: 'number',
    key: slotKey(bankId, { number, jack, layer }),
    value: number,
    most: (rig) => {
      const controller = own(rig.controllers, own(rig.banks, bankId)?.controllerId ?? '')
      if (!controller) return null
      // A jack has two contacts at most; one it no longer has is said by a check.
      return jack === '' ? switchCount(controller) : jack === 'toe' ? 4 : 2
    },
  }),
}

const placeKey = <Table extends TableName>(table: Table, row: Tables[Table]): string | undefined =>
  placing[table]?.(row).key

const minusOne = (count: number | undefined) => (count === undefined ? null : count - 1)
