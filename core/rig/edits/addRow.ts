import { change, type Edit, type EditLabel } from '../edit'
import type { TableName, Tables } from '../rig'

export const addRow = <Table extends TableName>(
  label: EditLabel,
  table: Table,
  row: Tables[Table],
): Edit => ({
  label,
  changes: [change(table, row.id, null, row)],
})
