import { dequal } from 'dequal/lite'
import { eq } from 'drizzle-orm'
import { nanoid } from 'nanoid'
import { keepable } from '#core/base'
import { editBetween, NO_RIG, replay, unplay, type Rig } from '#core/rig'
import type { Database, Transaction } from '../db/database'
import { logEdit, readEditsBetween } from '../db/repositories/editLog'
import { findRigHead, rigsWithoutBeginning } from '../db/repositories/rigHeads'
import { readRigRows, writeChanges } from '../db/repositories/rigRows'
import { rigs } from '../db/schema'

/**
 * Gives the log of every rig of an earlier version its beginning, so that replayed from nothing it is the
 * stored rig. Where that version let log and rows part, or stored text that cannot be taken out again, an
 * edit is added that says the difference. Returns how many rigs it completed.
 */
export async function completeLogs(database: Database, now: Date): Promise<number> {
  const ids = await rigsWithoutBeginning(database.db)
  for (const id of ids) await database.write((tx) => completeLog(tx, id, now))
  return ids.length
}

async function completeLog(tx: Transaction, rigId: string, now: Date): Promise<void> {
  const head = await findRigHead(tx, rigId)
  if (!head) return
  const stored = await readRigRows(tx, rigId)
  const log = (await readEditsBetween(tx, rigId, 0, head.revision)).map(({ edit }) => edit)
  const began = unplay(log, stored)
  const beginning = editBetween('makeRig', NO_RIG, began)
  if (!beginning) return
  await logEdit(tx, rigId, { revision: 1, id: nanoid(), at: head.createdAt, edit: beginning })
  const told = replay(log, began)
  const mend = editBetween('mendLog', told, withKeepableText(stored))
  if (!mend) return
  const revision = head.revision + 1
  const at = now.toISOString()
  await writeChanges(tx, rigId, editBetween('mendLog', stored, withKeepableText(stored))?.changes ?? [])
  await logEdit(tx, rigId, { revision, id: nanoid(), at, edit: mend })
  await tx.update(rigs).set({ revision, changedAt: at }).where(eq(rigs.id, rigId))
}

/** The rig with NUL and half surrogate pairs put as the replacement character; the same rig when it has none. */
function withKeepableText(rig: Rig): Rig {
  const mended = JSON.parse(JSON.stringify(rig), (_, value: unknown) =>
    typeof value === 'string' ? keepable(value) : value,
  ) as Rig
  return dequal(mended, rig) ? rig : mended
}
