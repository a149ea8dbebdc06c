import { and, desc, eq, getTableColumns, isNotNull, isNull, notExists, sql } from 'drizzle-orm'
import { ABOUT_ID } from '#core/rig'
import type { DeletedRig, LoggedEdit, RigSummary } from '#shared/contract/rigs'
import type { Db, Transaction } from '../database'
import { about, banks, controllers, devices, edits, rigs, sounds, switches } from '../schema'
import { toLoggedEdit } from './editLog'

export interface RigHead {
  readonly id: string
  readonly revision: number
  readonly createdAt: string
  readonly changedAt: string
}

/** A deleted rig is none, but for who brings it back. */
const isThere = isNull(rigs.deletedAt)

const { deletedAt: _, ...headColumns } = getTableColumns(rigs)

export const headQuery = (db: Db | Transaction, id: string) =>
  db
    .select(headColumns)
    .from(rigs)
    .where(and(eq(rigs.id, id), isThere))

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
    .select({ head: headColumns, edit: edits })
    .from(rigs)
    .leftJoin(edits, and(eq(edits.rigId, rigs.id), eq(edits.id, editId)))
    .where(and(eq(rigs.id, id), isThere))
  return found ? { head: found.head, done: found.edit && toLoggedEdit(found.edit) } : null
}

const rowsOf = (
  table: typeof controllers | typeof devices | typeof sounds | typeof banks | typeof switches,
) => sql<number>`(select count(*) from ${table} where ${table.rigId} = ${rigs.id})`.mapWith(Number)

/** The deleted ones, the last deleted first. */
export async function listDeletedHeads(db: Db): Promise<DeletedRig[]> {
  const found = await db
    .select({ id: rigs.id, name: about.name, revision: rigs.revision, deletedAt: rigs.deletedAt })
    .from(rigs)
    .innerJoin(about, eq(about.rigId, rigs.id))
    .where(and(eq(about.id, ABOUT_ID), isNotNull(rigs.deletedAt)))
    .orderBy(desc(rigs.deletedAt), rigs.id)
  return found.map((one) => ({ ...one, deletedAt: one.deletedAt! }))
}

/** All rigs with what they hold, the last changed first. */
export async function listRigHeads(db: Db): Promise<RigSummary[]> {
  const found = await db
    .select({
      id: rigs.id,
      name: about.name,
      revision: rigs.revision,
      changedAt: rigs.changedAt,
      controllers: rowsOf(controllers),
      devices: rowsOf(devices),
      sounds: rowsOf(sounds),
      banks: rowsOf(banks),
      switches: rowsOf(switches),
    })
    .from(rigs)
    .innerJoin(about, eq(about.rigId, rigs.id))
    .where(and(eq(about.id, ABOUT_ID), isThere))
    .orderBy(desc(rigs.changedAt), rigs.id)
  return found.map(({ id, name, revision, changedAt, ...holds }) => ({
    id,
    name,
    revision,
    changedAt,
    holds,
  }))
}

/** Deleted ones with them: a database that held any has been used. */
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
