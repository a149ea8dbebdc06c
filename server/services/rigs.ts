import { createHash } from 'node:crypto'
import { and, eq, isNotNull, isNull } from 'drizzle-orm'
import { nanoid } from 'nanoid'
import { cutText } from '#core/base'
import { editBetween, emptyRig, NAME_MAX, NO_RIG, type Rig } from '#core/rig'
import type { CreatedReply, DeletedRig, RigReply, RigSummary } from '#shared/contract/rigs'
import type { Transaction } from '../db/database'
import { logEdit } from '../db/repositories/editLog'
import {
  findRigHead,
  headQuery,
  listDeletedHeads,
  listRigHeads,
  type RigHead,
} from '../db/repositories/rigHeads'
import { rigOf, rigQueries, writeChanges } from '../db/repositories/rigRows'
import { rigs } from '../db/schema'
import { versionOf } from './keptRigs'
import { rigFileJsonSchema } from './rigFileSchema'
import type { Store } from './store'

export const listRigs = ({ database }: Store): Promise<RigSummary[]> => listRigHeads(database.db)

/** Stores rigs that are already known to be sound, all or none, each as its first revision. */
export const createRigs = ({ database }: Store, made: readonly Rig[], now: Date): Promise<CreatedReply[]> => {
  const named = made.map((rig) => ({ id: nanoid(12), rig }))
  return database.write(async (tx) => {
    for (const { id, rig } of named) await insertRig(tx, id, rig, now)
    return named.map(({ id }) => ({ id, revision: 1 }))
  })
}

/** A rig begins with an edit like any other: its log alone tells all of it. */
async function insertRig(tx: Transaction, id: string, rig: Rig, now: Date): Promise<void> {
  const at = now.toISOString()
  const edit = editBetween('makeRig', NO_RIG, rig)!
  await tx.insert(rigs).values({ id, revision: 1, createdAt: at, changedAt: at })
  await writeChanges(tx, id, edit.changes)
  await logEdit(tx, id, { revision: 1, id: nanoid(), at, edit })
}

export async function createRig(store: Store, rig: Rig, now: Date): Promise<CreatedReply> {
  const [created] = await createRigs(store, [rig], now)
  return created!
}

export const createEmptyRig = (store: Store, name: string, now: Date): Promise<CreatedReply> =>
  createRig(store, emptyRig(name), now)

/** A copy under a name of its own, with a log of its own. Null when there is no such rig. */
export async function copyRig(store: Store, id: string, now: Date): Promise<CreatedReply | null> {
  const found = await findRig(store, id)
  if (!found) return null
  const [about] = Object.values(found.rig.about)
  const names = new Set((await listRigs(store)).map(({ name }) => name))
  if (!about) return null
  const name = freeName(about.name, names)
  return createRig(store, { ...found.rig, about: { [about.id]: { ...about, name } } }, now)
}

/** "Pit bass, copy", then "Pit bass, copy 2": cut where the two are too long. */
function freeName(name: string, taken: ReadonlySet<string>): string {
  for (let n = 1; ; n++) {
    const more = n === 1 ? ', copy' : `, copy ${n}`
    const tried = `${cutText(name, NAME_MAX - more.length).trim()}${more}`
    if (!taken.has(tried)) return tried
  }
}

/** Null when there is no such rig. */
export const findHead = ({ database }: Store, id: string): Promise<RigHead | null> =>
  findRigHead(database.db, id)

/** Null when there is no such rig. All of it is of one moment, however busy writers are. */
export async function findRig(store: Store, id: string): Promise<RigReply | null> {
  const head = await findHead(store, id)
  const rig = head && store.kept.at(head)
  return rig ? replyOf(head, rig) : head && readRig(store, id)
}

/** Reads head and rows in one transaction. */
async function readRig({ database: { db }, kept }: Store, id: string): Promise<RigReply | null> {
  const [heads, ...answers] = await db.batch([headQuery(db, id), ...rigQueries(db, id)])
  const [head] = heads
  if (!head) return null
  const rig = rigOf(answers)
  kept.keep(head, rig)
  return replyOf(head, rig)
}

/** Tells answers for a rig apart: by its state, and by what rows are to this version of the program. */
export const answerVersion = (head: RigHead): string => `${schemaVersion()}.${versionOf(head)}`

let known: string | null = null
const schemaVersion = (): string =>
  (known ??= createHash('sha256')
    .update(JSON.stringify(rigFileJsonSchema()))
    .digest('base64url')
    .slice(0, 12))

const replyOf = ({ id, revision, changedAt }: RigHead, rig: Rig): RigReply => ({
  id,
  revision,
  changedAt,
  rig,
})

/** False when there was no such rig. Its rows and its log stay, until it is forgotten. */
export async function deleteRig({ database, kept }: Store, id: string, now: Date): Promise<boolean> {
  const gone = await database.write((tx) =>
    tx
      .update(rigs)
      .set({ deletedAt: now.toISOString() })
      .where(and(eq(rigs.id, id), isNull(rigs.deletedAt)))
      .returning({ id: rigs.id }),
  )
  kept.forget(id)
  return gone.length > 0
}

export const listDeletedRigs = ({ database }: Store): Promise<DeletedRig[]> => listDeletedHeads(database.db)

/** False when no such rig was deleted. */
export async function bringBackRig({ database }: Store, id: string): Promise<boolean> {
  const back = await database.write((tx) =>
    tx
      .update(rigs)
      .set({ deletedAt: null })
      .where(and(eq(rigs.id, id), isNotNull(rigs.deletedAt)))
      .returning({ id: rigs.id }),
  )
  return back.length > 0
}

/** Takes a deleted rig with its rows and its log out for good. False when no such rig was deleted. */
export async function forgetRig({ database }: Store, id: string): Promise<boolean> {
  const gone = await database.write((tx) =>
    tx
      .delete(rigs)
      .where(and(eq(rigs.id, id), isNotNull(rigs.deletedAt)))
      .returning({ id: rigs.id }),
  )
  return gone.length > 0
}
