import { dequal } from 'dequal/lite'
import { eq } from 'drizzle-orm'
import { accept, refuse, type Result } from '#core/base'
import { doEdit, type Edit, type EditRefusal, type Rig } from '#core/rig'
import type { EditLogReply, PostEdit, RevisionReply } from '#shared/contract/rigs'
import { logEdit, readEdits } from '../db/repositories/editLog'
import { findHeadAndEdit, type RigHead } from '../db/repositories/rigHeads'
import { readRigRows, writeChanges } from '../db/repositories/rigRows'
import { rigs } from '../db/schema'
import { findHead } from './rigs'
import type { Store } from './store'

export type PostRefusal =
  | { readonly code: 'noSuchRig' | 'idTaken' }
  | (EditRefusal & { readonly revision: number })

/**
 * Applies and logs one edit in one transaction. An edit whose id is already in the log is not done
 * again: its sender missed the answer, and gets it now.
 */
export async function postEdit(
  { database, kept }: Store,
  rigId: string,
  { id, edit }: PostEdit,
  now: Date,
): Promise<Result<RevisionReply, PostRefusal>> {
  let after: { readonly head: RigHead; readonly rig: Rig } | null = null
  const posted = await database.write(async (tx): Promise<Result<RevisionReply, PostRefusal>> => {
    after = null
    const found = await findHeadAndEdit(tx, rigId, id)
    if (!found) return refuse({ code: 'noSuchRig' })
    const { head, done } = found
    if (done)
      return isSameEdit(done.edit, edit)
        ? accept({ revision: done.revision, changedAt: done.at, latest: head.revision })
        : refuse({ code: 'idTaken' })
    const rig = kept.at(head) ?? (await readRigRows(tx, rigId))
    const applied = doEdit(rig, edit)
    if (!applied.ok) return refuse({ ...applied.refusal, revision: head.revision })
    const revision = head.revision + 1
    // Never earlier than the last: the moment tells two lives of one database apart.
    const at = new Date(Math.max(now.getTime(), Date.parse(head.changedAt))).toISOString()
    await Promise.all([
      writeChanges(tx, rigId, applied.value.edit.changes),
      logEdit(tx, rigId, { revision, id, at, edit: applied.value.edit }),
      tx.update(rigs).set({ revision, changedAt: at }).where(eq(rigs.id, rigId)).run(),
    ])
    after = { head: { ...head, revision, changedAt: at }, rig: applied.value.rig }
    return accept({ revision, changedAt: at, latest: revision })
  })
  // Only what is known to be stored is kept.
  keepAfter(kept, after)
  return posted
}

function keepAfter(kept: Store['kept'], after: { readonly head: RigHead; readonly rig: Rig } | null): void {
  if (after) kept.keep(after.head, after.rig)
}

/** The log holds an edit as it was done; the one sent may have had spaces round its names. */
const isSameEdit = (done: Edit, sent: Edit): boolean => dequal(trimmed(done), trimmed(sent))

const trimmed = (edit: Edit): unknown =>
  JSON.parse(JSON.stringify(edit), (_, value: unknown) => (typeof value === 'string' ? value.trim() : value))

const LOG_LIMIT = 500

/** Null when there is no such rig. */
export async function editsSince(store: Store, rigId: string, since: number): Promise<EditLogReply | null> {
  const head = await findHead(store, rigId)
  return (
    head && { revision: head.revision, edits: await readEdits(store.database.db, rigId, since, LOG_LIMIT) }
  )
}
