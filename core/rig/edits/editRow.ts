import { dequal } from 'dequal/lite'
import { own } from '#core/base'
import { change, type Edit, type EditLabel } from '../edit'
import type { Rig, TableName, Tables } from '../rig'

/** Changes fields of one row. Null when nothing would change or there is no such row. */
export function editRow<Table extends TableName>(
  rig: Rig,
  label: EditLabel,
  table: Table,
  id: string,
  fields: Partial<Tables[Table]>,
): Edit | null {
  const before = own<Tables[Table]>(rig[table], id)
  if (!before) return null
  const after = { ...before, ...fields }
  return dequal(before, after) ? null : { label, changes: [change(table, id, before, after)] }
}
