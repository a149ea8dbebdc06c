import { and, desc, eq, getTableColumns, notExists, sql } from 'drizzle-orm'
import { ABOUT_ID } from '#core'
import type { LoggedEdit, RigSummary } from '#shared/contract/rigs'
import type { Db, Transaction } from '../database'
import { about, banks, controllers, devices, edits, rigs, sounds, switches } from '../schema'
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

const rowsOf = (
  table: typeof controllers | typeof devices | typeof sounds | typeof banks | typeof switches,
) => sql<number>`(select count(*) from ${table} where ${table.rigId} = ${rigs.id})`.mapWith(Number)

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
    .where(eq(about.id, ABOUT_ID))
    .orderBy(desc(rigs.changedAt), rigs.id)
  return found.map(({ id, name, revision, changedAt, ...holds }) => ({
    id,
    name,
    revision,
    changedAt,
    holds,
  }))
}

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
