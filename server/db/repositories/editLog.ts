import { and, asc, eq, gt } from 'drizzle-orm'
import type { Edit } from '#core'
import type { LoggedEdit } from '#shared/contract/rigs'
import type { Db, Transaction } from '../database'
import { edits } from '../schema'

type EditRow = typeof edits.$inferSelect

export const toRow = (rigId: string, { revision, id, at, edit }: LoggedEdit): EditRow => ({
  rigId,
  revision,
  id,
  at,
  label: edit.label,
  changes: edit.changes,
})

const toLoggedEdit = ({ revision, id, at, label, changes }: EditRow): LoggedEdit => ({
  revision,
  id,
  at,
  edit: { label, changes } satisfies Edit,
})

/** Edits after a revision, oldest first. */
export async function readEdits(db: Db, rigId: string, since: number, limit: number): Promise<LoggedEdit[]> {
  const rows = await db
    .select()
    .from(edits)
    .where(and(eq(edits.rigId, rigId), gt(edits.revision, since)))
    .orderBy(asc(edits.revision))
    .limit(limit)
  return rows.map(toLoggedEdit)
}

/** The edit its sender called `id`, null when it has not been confirmed. */
export async function findEdit(tx: Transaction, rigId: string, id: string): Promise<LoggedEdit | null> {
  const [row] = await tx
    .select()
    .from(edits)
    .where(and(eq(edits.rigId, rigId), eq(edits.id, id)))
  return row ? toLoggedEdit(row) : null
}
