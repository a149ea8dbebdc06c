import { own } from '../../base/own'
import { change, type Change, type Edit, type EditLabel } from '../edit'
import { rowKey, withoutReferences } from '../references'
import { TABLE_NAMES, type Rig, type TableName, type Tables } from '../rig'

/**
 * Removes a row with everything that cannot be without it, and cleans what only mentions it, in one
 * edit: a device takes its presets, and switches lose the recalls of those. Null when there is no such row.
 */
export function removeRow(rig: Rig, label: EditLabel, table: TableName, id: string): Edit | null {
  const row = own<Tables[TableName]>(rig[table], id)
  if (!row) return null
  const removed = new Set([rowKey(table, id)])
  const changes: Change[] = [change(table, id, row as never, null)]
  // Tables stand in the order of reference, so one pass finds all that follows.
  for (const name of TABLE_NAMES)
    for (const row of Object.values(rig[name])) {
      if (removed.has(rowKey(name, row.id))) continue
      const after = withoutReferences(name, row, removed)
      if (after === row) continue
      if (after === null) removed.add(rowKey(name, row.id))
      changes.push(change(name, row.id, row, after))
    }
  // What refers goes before what it refers to.
  return { label, changes: changes.reverse() }
}
