import { change, type Edit, type Rig, type Mark, type MarkId } from '#core/rig'
import type { ChecklistLine } from './checklist'

/** The tick on a line, as long as the line says what it said when it was ticked; null when it has none. */
export function tickOf(rig: Rig, { key, said }: ChecklistLine): Mark | null {
  const mark = markOf(rig, key)
  return mark?.said === said ? mark : null
}

/** A tick the line has lost because an edit changed what it says; null when it has not. */
export function lostTick(rig: Rig, { key, said }: ChecklistLine): Mark | null {
  const mark = markOf(rig, key)
  return mark && mark.said !== said ? mark : null
}

/** Takes all ticks away whose line's key begins so; null where there are none. */
export function clearTicks(rig: Rig, prefix: string): Edit | null {
  const marks = Object.values(rig.marks).filter(({ line }) => line.startsWith(prefix))
  return marks.length === 0
    ? null
    : { label: 'clearTicks', changes: marks.map((mark) => change('marks', mark.id, mark, null)) }
}

const markOf = (rig: Rig, key: string): Mark | null =>
  Object.values(rig.marks).find(({ line }) => line === key) ?? null

/** Ticks a line, or takes its tick away. `revision` is the one it is ticked against, `at` ISO 8601 in UTC. */
export function toggleTick(
  rig: Rig,
  line: ChecklistLine,
  { newId, revision, at }: { readonly newId: MarkId; readonly revision: number; readonly at: string },
): Edit {
  const before = markOf(rig, line.key)
  const id = before?.id ?? newId
  const after = tickOf(rig, line) ? null : { id, line: line.key, said: line.said, revision, at }
  return { label: 'tick', changes: [change('marks', id, before, after)] }
}

/** Ticks a line whether it has a tick or not: a box is saved more than once while the line says the same. */
export function saveAgain(
  rig: Rig,
  line: ChecklistLine,
  { newId, revision, at }: { readonly newId: MarkId; readonly revision: number; readonly at: string },
): Edit {
  const before = markOf(rig, line.key)
  const id = before?.id ?? newId
  return {
    label: 'tick',
    changes: [change('marks', id, before, { id, line: line.key, said: line.said, revision, at })],
  }
}
