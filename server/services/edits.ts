import { eq } from 'drizzle-orm'
import { accept, applyEdit, refuse, type EditRefusal, type Result } from '#core'
import type { EditLogReply, PostEdit, RevisionReply } from '#shared/contract/rigs'
import type { Database } from '../db/database'
import { findEdit, readEdits, toRow } from '../db/repositories/editLog'
import { findRigHead } from '../db/repositories/rigHeads'
import { readRigRows, writeChanges } from '../db/repositories/rigRows'
import { edits, rigs } from '../db/schema'

export type PostRefusal = { readonly code: 'noSuchRig' } | (EditRefusal & { readonly revision: number })

/**
 * Applies and logs one edit in one transaction. An edit whose id is already in the log is not done
 * again: its sender missed the answer, and gets it now.
 */
export const postEdit = (
  { write }: Database,
  rigId: string,
  { id, edit }: PostEdit,
  now: Date,
): Promise<Result<RevisionReply, PostRefusal>> =>
  write(async (tx) => {
    const head = await findRigHead(tx, rigId)
    if (!head) return refuse({ code: 'noSuchRig' })
    const done = await findEdit(tx, rigId, id)
    if (done) return accept({ revision: done.revision, changedAt: done.at })
    const applied = applyEdit(await readRigRows(tx, rigId), edit)
    if (!applied.ok) return refuse({ ...applied.refusal, revision: head.revision })
    const revision = head.revision + 1
    const at = now.toISOString()
    await writeChanges(tx, rigId, edit.changes)
    await tx.insert(edits).values(toRow(rigId, { revision, id, at, edit }))
    await tx.update(rigs).set({ revision, changedAt: at }).where(eq(rigs.id, rigId))
    return accept({ revision, changedAt: at })
  })

const LOG_LIMIT = 500

/** Null when there is no such rig. */
export async function editsSince(
  { db }: Database,
  rigId: string,
  since: number,
): Promise<EditLogReply | null> {
  const head = await findRigHead(db, rigId)
  return head && { revision: head.revision, edits: await readEdits(db, rigId, since, LOG_LIMIT) }
}
