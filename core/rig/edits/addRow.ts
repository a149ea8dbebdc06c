import { change, type Edit, type EditLabel } from '../edit'
import type { TableName, Tables } from '../rig'

/** An edit that adds one row. The id must be new. */
export const addRow = <Table extends TableName>(
  label: EditLabel,
  table: Table,
  row: Tables[Table],
): Edit => ({
  label,
  changes: [change(table, row.id, null, row)],
})
