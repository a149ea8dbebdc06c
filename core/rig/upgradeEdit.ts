import { change, type Change, type Edit } from './edit'
import { rowSchemas, type TableName, type Tables } from './rig'

/**
 * An edit made by an earlier version, with its rows as rows are now: fields they did not have yet are what
 * they were taken to be then. A row no schema reads is left as it is, for whoever applies it to refuse.
 */
export const upgradeEdit = ({ label, changes }: Edit): Edit => ({
  label,
  changes: changes.map(({ table, id, before, after }: Change) =>
    change(table, id, upgradeRow(table, before), upgradeRow(table, after)),
  ),
})

function upgradeRow<Table extends TableName>(table: Table, row: Tables[Table] | null): Tables[Table] | null {
  if (row === null) return null
  const read = rowSchemas[table].safeParse(row)
  // What the row says stays as it says it: only what it does not say is put in.
  return read.success ? ({ ...read.data, ...row } as Tables[Table]) : row
}
