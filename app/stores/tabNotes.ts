import { perObject } from '#core/base'
import { upgradeEdit } from '#core/rig'
import type { PostEdit } from '#shared/contract/rigs'
import type { Keep } from '~/platform/keep'
import { EMPTY_HISTORY, type History } from './history'

/** What a tab writes down so that a reload loses nothing: edits not yet confirmed, and what can be undone. */
export interface Notes {
  readonly pending: readonly PostEdit[]
  readonly history: History
}

export interface TabNotes {
  /** Empty notes when there are none, or when they cannot be read. */
  readonly read: () => Notes
  /**
   * Writes what has changed since the last time. False when the browser has no room for the edits not yet
   * confirmed: what can be undone makes room for them first.
   */
  readonly write: (notes: Notes) => boolean
}

/** Letters of history written down; older edits can be undone until the tab is reloaded. */
const HISTORY_LETTERS = 1_000_000

/** Edits never change: each is put into letters once, however often it is noted. */
const textOf = perObject((value: object): string => JSON.stringify(value))
const listOf = (values: readonly object[]): string => `[${values.map(textOf).join(',')}]`

/** The notes of one rig in a tab's storage. */
export function createTabNotes(keep: Keep, rigId: string, browserKeep: Keep): TabNotes {
  const [pendingKey, historyKey] = ['pending', 'history'].map((part) => `wire-step/rig/${rigId}/${part}`) as [
    string,
    string,
  ]
  /** What waits, noted for the browser: a tab that is closed while the server is away leaves it to the next one. */
  const waitingKey = `wire-step/waiting/${rigId}`
  const left = () => parse<PostEdit[]>(browserKeep.read(waitingKey)) ?? []
  /** Edits of this tab's, waiting or sent: what else is noted is another tab's. */
  const ours = new Set<string>()
  /** Where both stood together in the first version. */
  const oldKey = `wire-step/rig/${rigId}`
  let written: Notes | null = null
  let isNoted = true
  return {
    read: () => {
      const old = parse<Partial<Notes>>(keep.read(oldKey)) ?? {}
      // An edit sent twice is done once: that another tab may yet send it too does no harm.
      const pending = parse<PostEdit[]>(keep.read(pendingKey)) ?? old.pending ?? left()
      // Taken over: once it is confirmed here, it waits for no other tab.
      for (const { id } of pending) ours.add(id)
      const { past, future } = parse<History>(keep.read(historyKey)) ?? old.history ?? EMPTY_HISTORY
      // A tab may have been opened with an earlier version.
      return {
        pending: pending.map(({ id, edit }) => ({ id, edit: upgradeEdit(edit) })),
        history: { past: past.map(upgradeEdit), future: future.map(upgradeEdit) },
      }
    },
    write: (notes) => {
      if (!written) keep.write(oldKey, null)
      if (written?.pending !== notes.pending) {
        for (const { id } of notes.pending) ours.add(id)
        const waiting = [...left().filter(({ id }) => !ours.has(id)), ...notes.pending]
        browserKeep.write(waitingKey, waiting.length > 0 ? listOf(waiting) : null)
        const text = notes.pending.length > 0 ? listOf(notes.pending) : null
        isNoted =
          keep.write(pendingKey, text) || (keep.write(historyKey, null) && keep.write(pendingKey, text))
        // Better no note than one that lacks the newest: after a reload it would be taken for all.
        if (!isNoted) keep.write(pendingKey, null)
      }
      if (written?.history !== notes.history) noteHistory(notes.history)
      written = notes
      return isNoted
    },
  }

  function noteHistory({ past, future }: History): void {
    const text = `{"past":${listOf(newest(past))},"future":${listOf(newest(future))}}`
    if (!keep.write(historyKey, text)) keep.write(historyKey, null)
  }
}

/** As many of the last as fit into a note. */
function newest<Value extends object>(values: readonly Value[]): readonly Value[] {
  let letters = 0
  const from = values.findLastIndex((value) => (letters += textOf(value).length) > HISTORY_LETTERS)
  return values.slice(from + 1)
}

function parse<Value>(text: string | null): Value | null {
  if (text === null) return null
  try {
    return JSON.parse(text) as Value
  } catch (error) {
    if (error instanceof SyntaxError) return null
    throw error
  }
}
