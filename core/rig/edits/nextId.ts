import type { Rig, TableName, Tables } from '../rig'

/** An id no row of the table has. Made from the rig alone, so that a check can offer a fix that adds a row. */
export function nextId<Table extends TableName>(rig: Rig, table: Table): Tables[Table]['id'] {
  let n = Object.keys(rig[table]).length + 1
  const name = (number: number) => `${table.slice(0, -1)}-${number}`
  while (Object.hasOwn(rig[table], name(n))) n++
  return name(n) as Tables[Table]['id']
}
