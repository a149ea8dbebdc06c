import { dequal } from 'dequal/lite'
import { applyEdit } from '../applyEdit'
import type { Change, Edit } from '../edit'
import type { Rig } from '../rig'

/**
 * Several edits as one, each made on the rig as the ones before leave it; undone in one step. Null when one of them
 * cannot be made.
 */
export function joinEdits(
  rig: Rig,
  label: Edit['label'],
  makers: readonly ((rig: Rig) => Edit | null)[],
): Edit | null {
  const changes = new Map<string, Change>()
  let now = rig
  for (const make of makers) {
    const edit = make(now)
    const applied = edit && applyEdit(now, edit)
    if (!applied?.ok) return null
    now = applied.value
    for (const one of edit!.changes) {
      const key = `${one.table}/${one.id}`
      const first = changes.get(key)
      changes.set(key, first ? ({ ...one, before: first.before } as Change) : one)
    }
  }
  const left = [...changes.values()].filter(({ before, after }) => !dequal(before, after))
  return left.length === 0 ? null : { label, changes: left }
}
