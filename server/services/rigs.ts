import { eq } from 'drizzle-orm'
import { nanoid } from 'nanoid'
import { emptyRig, type Rig } from '#core'
import type { CreatedReply, RigReply, RigSummary } from '#shared/contract/rigs'
import type { Database } from '../db/database'
import { findRigHead, listRigHeads } from '../db/repositories/rigHeads'
import { insertRigRows, readRigRows } from '../db/repositories/rigRows'
import { rigs } from '../db/schema'

export const listRigs = ({ db }: Database): Promise<RigSummary[]> => listRigHeads(db)

/** Stores a rig that is already known to be sound, as its first revision. */
export async function createRig({ write }: Database, rig: Rig, now: Date): Promise<CreatedReply> {
  const id = nanoid(12)
  const at = now.toISOString()
  await write(async (tx) => {
    await tx.insert(rigs).values({ id, revision: 1, createdAt: at, changedAt: at })
    await insertRigRows(tx, id, rig)
  })
  return { id, revision: 1 }
}

export const createEmptyRig = (database: Database, name: string, now: Date): Promise<CreatedReply> =>
  createRig(database, emptyRig(name), now)

/** Null when there is no such rig. Read in one transaction, so never between two edits. */
export const findRig = ({ write }: Database, id: string): Promise<RigReply | null> =>
  write(async (tx) => {
    const head = await findRigHead(tx, id)
    if (!head) return null
    return { id, revision: head.revision, changedAt: head.changedAt, rig: await readRigRows(tx, id) }
  })

/** False when there was no such rig. Takes its rows and its log with it. */
export async function deleteRig({ write }: Database, id: string): Promise<boolean> {
  const gone = await write((tx) => tx.delete(rigs).where(eq(rigs.id, id)).returning({ id: rigs.id }))
  return gone.length > 0
}
