import { dequal } from 'dequal/lite'
import { invertEdit, type Edit } from '#core/rig'

/** What can be undone and redone, the latest last. */
export interface History {
  readonly past: readonly Edit[]
  readonly future: readonly Edit[]
}

export const EMPTY_HISTORY: History = { past: [], future: [] }

/** Edits kept for undo. */
const DEPTH = 200

export const remember = ({ past }: History, edit: Edit): History => ({
  past: [...past, edit].slice(-DEPTH),
  future: [],
})

/** The edit that undoes the last one, and the history after it; null when there is nothing to undo. */
export function undone({ past, future }: History): { edit: Edit; history: History } | null {
  const last = past.at(-1)
  return last
    ? { edit: invertEdit(last), history: { past: past.slice(0, -1), future: [...future, last] } }
    : null
}

/** The edit to do again, and the history after it; null when there is none. */
export function redone({ past, future }: History): { edit: Edit; history: History } | null {
  const last = future.at(-1)
  return last ? { edit: last, history: { past: [...past, last], future: future.slice(0, -1) } } : null
}

/** The history as if `edit` had never been done. */
export const without = ({ past, future }: History, edit: Edit): History => ({
  past: past.filter((one) => !dequal(one, edit)),
  future: future.filter((one) => !dequal(one, edit)),
})
