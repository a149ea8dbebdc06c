import { dequal } from 'dequal/lite'
import { own } from '#core/base'
import { withChanges } from './applyEdit'
import { change, invertEdit, type Change, type Edit, type EditLabel } from './edit'
import { TABLE_NAMES, type Rig, type TableName, type Tables } from './rig'

/** No rows at all, not even what the rig is called: where every log begins. */
export const NO_RIG = Object.fromEntries(TABLE_NAMES.map((table) => [table, {}])) as unknown as Rig

/** The rig a log leads to, from `start`. Edits in a log have been applied once, so nothing is checked again. */
export const replay = (log: readonly Edit[], start: Rig = NO_RIG): Rig =>
  log.reduce((rig, { changes }) => withChanges(rig, changes), start)

/** The rig before the edits of a log that led to `rig`, as far as they say: the inverse of {@link replay}. */
export const unplay = (log: readonly Edit[], rig: Rig): Rig => replay(log.toReversed().map(invertEdit), rig)

/** The edit that leads from one rig to another; null when they are the same. */
export function editBetween(label: EditLabel, from: Rig, to: Rig): Edit | null {
  const changes = TABLE_NAMES.flatMap((table) => {
    const [left, right] = [rowsOf(from, table), rowsOf(to, table)]
    return Object.keys({ ...left, ...right }).flatMap((id): Change[] => {
      const [before, after] = [own(left, id) ?? null, own(right, id) ?? null]
      return dequal(before, after) ? [] : [change(table, id, before, after)]
    })
  })
  return changes.length === 0 ? null : { label, changes }
}

const rowsOf = (rig: Rig, table: TableName) => rig[table] as { readonly [id: string]: Tables[TableName] }
