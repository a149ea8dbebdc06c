import { and, desc, eq, getTableColumns, notExists } from 'drizzle-orm'
import { ABOUT_ID } from '#core'
import type { LoggedEdit, RigSummary } from '#shared/contract/rigs'
import type { Db, Transaction } from '../database'
import { about, edits, rigs } from '../schema'
import { toLoggedEdit } from './editLog'

export interface RigHead {
  readonly id: string
  readonly revision: number
  readonly createdAt: string
  readonly changedAt: string
}

export const headQuery = (db: Db | Transaction, id: string) => db.select().from(rigs).where(eq(rigs.id, id))

/** Null when there is no such rig. */
export async function findRigHead(db: Db | Transaction, id: string): Promise<RigHead | null> {
  const [head] = await headQuery(db, id)
  return head ?? null
}

/** The head of a rig, with the edit its sender called `editId` when that has been done already. Null when there is no such rig. */
export async function findHeadAndEdit(
  tx: Transaction,
  id: string,
  editId: string,
): Promise<{ readonly head: RigHead; readonly done: LoggedEdit | null } | null> {
  const [found] = await tx
    .select({ head: getTableColumns(rigs), edit: edits })
    .from(rigs)
    .leftJoin(edits, and(eq(edits.rigId, rigs.id), eq(edits.id, editId)))
    .where(eq(rigs.id, id))
  return found ? { head: found.head, done: found.edit && toLoggedEdit(found.edit) } : null
}

/** All rigs, the last changed first. */
export const listRigHeads = async (db: Db): Promise<RigSummary[]> =>
  db
    .select({ id: rigs.id, name: about.name, revision: rigs.revision, changedAt: rigs.changedAt })
    .from(rigs)
    .innerJoin(about, eq(about.rigId, rigs.id))
    .where(eq(about.id, ABOUT_ID))
    .orderBy(desc(rigs.changedAt), rigs.id)

export const countRigs = (db: Db): Promise<number> => db.$count(rigs)

/** Rigs whose log does not tell how they began: those of the first versions. */
export async function rigsWithoutBeginning(db: Db): Promise<string[]> {
  const beginning = db
    .select()
    .from(edits)
    .where(and(eq(edits.rigId, rigs.id), eq(edits.revision, 1)))
  const found = await db.select({ id: rigs.id }).from(rigs).where(notExists(beginning))
  return found.map(({ id }) => id)
}
