import type { PostEdit } from '#shared/contract/rigs'
import type { Keep } from '~/platform/keep'
import { EMPTY_HISTORY, type History } from './history'

/** What a tab writes down so that a reload loses nothing: edits not yet confirmed, and what can be undone. */
export interface TabNotes {
  readonly pending: readonly PostEdit[]
  readonly history: History
}

const keyOf = (rigId: string) => `wire-step/rig/${rigId}`

export const writeTabNotes = (keep: Keep, rigId: string, notes: TabNotes): void =>
  keep.write(keyOf(rigId), JSON.stringify(notes))

/** Empty notes when there are none, or when they cannot be read. */
export function readTabNotes(keep: Keep, rigId: string): TabNotes {
  const text = keep.read(keyOf(rigId))
  const none: TabNotes = { pending: [], history: EMPTY_HISTORY }
  if (text === null) return none
  try {
    return { ...none, ...(JSON.parse(text) as Partial<TabNotes>) }
  } catch (error) {
    if (error instanceof SyntaxError) return none
    throw error
  }
}
