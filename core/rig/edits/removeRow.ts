import { withoutReferences } from '../withoutRows'
import { own } from '#core/base'
import { change, type Change, type Edit, type EditLabel } from '../edit'
import { rowKey } from '../references'
import { TABLE_NAMES, type Rig, type TableName, type Tables } from '../rig'

/**
 * Removes a row with everything that cannot be without it, and cleans what only mentions it, in one
 * edit: a device takes its presets, and switches lose the recalls of those. Null when there is no such row.
 */
export const removeRow = (rig: Rig, label: EditLabel, table: TableName, id: string): Edit | null =>
  removeRows(rig, label, table, [id])

/** The same for several rows of one table; those that are not there are passed over. Null when none is. */
export function removeRows(
  rig: Rig,
  label: EditLabel,
  table: TableName,
  ids: readonly string[],
): Edit | null {
  const removed = new Set(
    ids.filter((id) => own<Tables[TableName]>(rig[table], id)).map((id) => rowKey(table, id)),
  )
  if (removed.size === 0) return null
  // Tables stand in the order of reference, so one pass finds all that cannot be without it ...
  for (const name of TABLE_NAMES)
    for (const one of Object.values(rig[name]))
      if (!removed.has(rowKey(name, one.id)) && withoutReferences(name, one, removed) === null)
        removed.add(rowKey(name, one.id))
  // ... and what only mentions any of that may stand anywhere.
  return { label, changes: changesWithout(rig, removed) }
}

/** What changes when rows go: they themselves, and all that mentions them. What refers goes before what it refers to. */
export function changesWithout(rig: Rig, removed: ReadonlySet<string>): Change[] {
  const changes: Change[] = []
  for (const name of TABLE_NAMES)
    for (const row of Object.values(rig[name])) {
      const after = removed.has(rowKey(name, row.id)) ? null : withoutReferences(name, row, removed)
      if (after !== row) changes.push(change(name, row.id, row, after))
    }
  return changes.reverse()
}
