import { and, eq } from 'drizzle-orm'
import { nanoid } from 'nanoid'
import { accept, cutText, type Result } from '#core/base'
import { editBetween, editRow, NAME_MAX, NO_RIG, replay, rigName } from '#core/rig'
import type { RestoredReply } from '#shared/contract/backups'
import type { Transaction } from '../db/database'
import { logEdit } from '../db/repositories/editLog'
import { writeChanges } from '../db/repositories/rigRows'
import { edits, rigs } from '../db/schema'
import type { Store } from '../services/store'
import { readBackup, type BackedUp, type BackupRefusal } from './backupFile'

/**
 * Brings every rig of a backup back with its history: all of them, or none and the reasons. What is there in the same state stays; a
 * deleted one comes back; one that has gone on meanwhile stays too, and that of the backup is put beside it. Nothing is written over.
 */
export async function restoreBackup(
  { database, kept }: Store,
  archive: Uint8Array,
  now: Date,
): Promise<Result<RestoredReply, BackupRefusal>> {
  const read = await readBackup(archive)
  if (!read.ok) return read
  const reply = await database.write(async (tx): Promise<RestoredReply> => {
    const restored: { id: string; name: string }[] = []
    const beside: { id: string; name: string }[] = []
    let same = 0
    for (const one of read.value) {
      const [there] = await tx.select().from(rigs).where(eq(rigs.id, one.id))
      if (!there) {
        await insertBackedUp(tx, one)
        restored.push({ id: one.id, name: one.name })
      } else if (there.revision === one.revision && there.changedAt === one.changedAt) {
        if (there.deletedAt !== null && one.deletedAt === null) {
          await tx.update(rigs).set({ deletedAt: null }).where(eq(rigs.id, one.id)).run()
          restored.push({ id: one.id, name: one.name })
        } else same++
      } else {
        const other = underOtherName(one, now)
        await insertBackedUp(tx, other)
        beside.push({ id: other.id, name: rigName(other.rig) })
      }
    }
    return { restored, same, beside }
  })
  for (const { id } of reply.restored) kept.forget(id)
  return accept(reply)
}

/** Under an id and a name of its own; the name is an edit like any other. */
function underOtherName(one: BackedUp, now: Date): BackedUp {
  const more = ', from a backup'
  const name = `${cutText(rigName(one.rig), NAME_MAX - more.length).trim()}${more}`
  const edit = editRow(one.rig, 'renameRig', 'about', 'about', { name })
  const at = new Date(Math.max(now.getTime(), Date.parse(one.changedAt))).toISOString()
  const revision = one.revision + 1
  return {
    ...one,
    id: nanoid(12),
    deletedAt: null,
    ...(edit && {
      name,
      revision,
      changedAt: at,
      rig: replay([edit], one.rig),
      log: [...one.log, { revision, id: nanoid(), at, name: '', edit }],
    }),
  }
}

async function insertBackedUp(tx: Transaction, { rig, log, ...head }: BackedUp): Promise<void> {
  const { id, revision, createdAt, changedAt, deletedAt } = head
  await tx.insert(rigs).values({ id, revision, createdAt, changedAt, deletedAt })
  await writeChanges(tx, id, editBetween('makeRig', NO_RIG, rig)?.changes ?? [])
  for (const { name, ...logged } of log) {
    await logEdit(tx, id, logged)
    if (name !== '')
      await tx
        .update(edits)
        .set({ name })
        .where(and(eq(edits.rigId, id), eq(edits.revision, logged.revision)))
        .run()
  }
}
