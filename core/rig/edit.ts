import { dequal } from 'dequal/lite'
import * as z from 'zod'
import { accept, refuse, type Result } from '../base/result'
import { rigProblems, rowProblems } from './integrity'
import type { Problem } from './problem'
import { TABLE_NAMES, type Rig, type RowsOf, type TableName, type Tables } from './rig'

/** What kind of change an edit is; `app/text/edits.ts` says it in words. */
export const EDIT_LABELS = [
  'renameRig',
  'addController',
  'changeController',
  'removeController',
  'addDevice',
  'changeDevice',
  'removeDevice',
  'setChannel',
  'changeNumbering',
  'addPreset',
  'namePreset',
  'removePreset',
  'addBank',
  'nameBank',
  'removeBank',
  'labelSwitch',
  'setMode',
  'setRecall',
  'removeRecall',
  'moveRecall',
  'clearSwitch',
  'copySwitch',
  'layCable',
  'changeCable',
  'removeCable',
  'setJack',
  'setPanel',
  'moveDevice',
  'spreadChannels',
  'moveBox',
  'tidy',
  'tick',
  'addControl',
  'changeControl',
  'removeControl',
  'takeChart',
  'copyChart',
  'changePreset',
  'fillPresets',
  'setRelay',
  'addPair',
  'changePair',
  'removePair',
  'testControl',
] as const

export type EditLabel = (typeof EDIT_LABELS)[number]

/** One row before and after; null where it is absent. */
export type Change = {
  readonly [Table in TableName]: {
    readonly table: Table
    readonly id: string
    readonly before: Tables[Table] | null
    readonly after: Tables[Table] | null
  }
}[TableName]

/** The only way a rig changes: it can be applied, inverted, stored and sent. */
export interface Edit {
  readonly label: EditLabel
  readonly changes: readonly Change[]
}

/** The shape of an edit from outside; its rows are checked when it is applied. */
export const editSchema = z.strictObject({
  label: z.enum(EDIT_LABELS),
  changes: z
    .array(
      z.strictObject({
        table: z.enum(TABLE_NAMES as [TableName, ...TableName[]]),
        id: z.string().min(1).max(40),
        before: z.record(z.string(), z.unknown()).nullable(),
        after: z.record(z.string(), z.unknown()).nullable(),
      }),
    )
    .min(1)
    .max(40_000),
})

export type EditRefusal =
  /** A row is no longer what the edit says it was. */
  | { readonly code: 'stale'; readonly table: TableName; readonly id: string }
  /** The rig would not be valid afterwards. */
  | { readonly code: 'invalid'; readonly problems: readonly [Problem, ...Problem[]] }

/** One change, typed by its table. */
export const change = <Table extends TableName>(
  table: Table,
  id: string,
  before: Tables[Table] | null,
  after: Tables[Table] | null,
): Change => ({ table, id, before, after }) as unknown as Change

/**
 * The rig after the edit; `rig` itself is never touched. Refused whole when one row is not as the
 * edit's `before` says, or when the result would not be a sound rig.
 */
export function applyEdit(rig: Rig, edit: Edit): Result<Rig, EditRefusal> {
  const problems: Problem[] = []
  for (const { table, id, before, after } of edit.changes) {
    if (!dequal(rig[table][id] ?? null, before)) return refuse({ code: 'stale', table, id })
    if (after !== null) problems.push(...rowProblems(table, id, after))
  }
  if (isSome(problems)) return refuse({ code: 'invalid', problems })
  const next = withChanges(rig, edit.changes)
  const broken = rigProblems(next)
  return isSome(broken) ? refuse({ code: 'invalid', problems: broken }) : accept(next)
}

/** The rig with rows put in and taken out, and nothing checked. */
function withChanges(rig: Rig, changes: readonly Change[]): Rig {
  const next: { [Table in TableName]: RowsOf<Table> } = { ...rig }
  const copied = new Set<TableName>()
  for (const { table, id, after } of changes) {
    if (!copied.has(table)) {
      Object.assign(next, { [table]: { ...next[table] } })
      copied.add(table)
    }
    const rows = next[table] as { [id: string]: unknown }
    if (after === null) Reflect.deleteProperty(rows, id)
    else rows[id] = after
  }
  return next
}

const isSome = (problems: Problem[]): problems is [Problem, ...Problem[]] => problems.length > 0

/** The edit that undoes `edit`. Inverting twice gives an equal edit. */
export const invertEdit = (edit: Edit): Edit => ({
  label: edit.label,
  changes: edit.changes.map(({ table, id, before, after }) => change(table, id, after, before)).reverse(),
})
