import { desc, eq } from 'drizzle-orm'
import { ABOUT_ID } from '#core'
import type { RigSummary } from '#shared/contract/rigs'
import type { Db, Transaction } from '../database'
import { about, rigs } from '../schema'

export interface RigHead {
  readonly id: string
  readonly revision: number
  readonly createdAt: string
  readonly changedAt: string
}

/** Null when there is no such rig. */
export async function findRigHead(db: Db | Transaction, id: string): Promise<RigHead | null> {
  const [head] = await db.select().from(rigs).where(eq(rigs.id, id))
  return head ?? null
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
