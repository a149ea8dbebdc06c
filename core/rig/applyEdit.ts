import { dequal } from 'dequal/lite'
import { own, accept, refuse, type Result } from '#core/base'
import { change, type Change, type Edit, type EditRefusal } from './edit'
import { problemsAfter, readRow } from './integrity'
import type { Problem } from './problem'
import { rowKey } from './references'
import type { Rig, RowsOf, TableName } from './rig'
import { EDIT_BYTES_MAX, editBytes } from './rigBytes'

/** An edit as it was done: its rows as their schemas read them, names without the spaces round them. */
export interface Done {
  readonly rig: Rig
  readonly edit: Edit
}

/**
 * Does an edit; `rig` itself is never touched. Refused whole when it is too large, when it names a row twice
 * or one that is not as its `before` says, or when the result would not be a sound rig. `rig` must be
 * sound: what an edit does not reach is not looked at again.
 */
export function doEdit(rig: Rig, edit: Edit): Result<Done, EditRefusal> {
  const problems: Problem[] = []
  const named = new Set<string>()
  const changes: Change[] = []
  for (const { table, id, before, after } of edit.changes) {
    if (!dequal(own(rig[table] as RowsOf<TableName>, id) ?? null, before))
      return refuse({ code: 'stale', table, id })
    const key = rowKey(table, id)
    if (named.has(key)) problems.push({ path: [table, id], code: 'changedTwice' })
    named.add(key)
    if (after === null) changes.push(change(table, id, before, after))
    else {
      const read = readRow(table, id, after)
      if (read.ok) changes.push(change(table, id, before, read.value))
      else problems.push(...read.refusal)
    }
  }
  if (isSome(problems)) return refuse({ code: 'invalid', problems })
  // Counted now: rows that are no rows may be anything, nested without end.
  if (editBytes(changes) > EDIT_BYTES_MAX) return refuse({ code: 'tooLarge', most: EDIT_BYTES_MAX })
  const next = withChanges(rig, changes)
  const broken = problemsAfter(rig, next, changes)
  return isSome(broken)
    ? refuse({ code: 'invalid', problems: broken })
    : accept({ rig: next, edit: { label: edit.label, changes } })
}

/** The rig after an edit; see {@link doEdit}. */
export function applyEdit(rig: Rig, edit: Edit): Result<Rig, EditRefusal> {
  const done = doEdit(rig, edit)
  return done.ok ? accept(done.value.rig) : done
}

/** The rig with rows put in and taken out, and nothing checked: for edits that were applied once before. */
export function withChanges(rig: Rig, changes: readonly Change[]): Rig {
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
