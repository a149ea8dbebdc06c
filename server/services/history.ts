import { and, asc, desc, eq, gt, inArray, lt, ne, sql } from 'drizzle-orm'
import { FACT_LABELS, factsOf, rowDifference, type LogFact } from '#core/history'
import { NO_RIG, replay, unplay, type Rig } from '#core/rig'
import {
  HISTORY_PAGE,
  ROWS_TOLD,
  type FactsReply,
  type HistoryReply,
  type NamedReply,
  type RevisionTold,
  type RigThenReply,
} from '#shared/contract/history'
import { readEditsBetween, toLoggedEdit } from '../db/repositories/editLog'
import { edits } from '../db/schema'
import { findHead, findRig } from './rigs'
import type { Store } from './store'

/** Edits looked at together. */
const CHUNK = 200
/** Of an edit of more letters only the number of its rows is told. */
const LETTERS_TOLD = 1_000_000

/** What was done, the newest first, before a revision. Null when there is no such rig. */
export async function historyOf(store: Store, rigId: string, before?: number): Promise<HistoryReply | null> {
  const found = await findRig(store, rigId)
  if (!found) return null
  const { db } = store.database
  const isAsked = and(eq(edits.rigId, rigId), before === undefined ? undefined : lt(edits.revision, before))
  const heads = await db
    .select({
      revision: edits.revision,
      at: edits.at,
      label: edits.label,
      name: edits.name,
      letters: sql<number>`length(${edits.changes})`,
      count: sql<number>`json_array_length(${edits.changes})`,
    })
    .from(edits)
    .where(isAsked)
    .orderBy(desc(edits.revision))
    .limit(HISTORY_PAGE)
  const small = heads.filter(({ letters }) => letters <= LETTERS_TOLD).map(({ revision }) => revision)
  const told = await db
    .select()
    .from(edits)
    .where(and(eq(edits.rigId, rigId), inArray(edits.revision, small)))
  const logged = new Map(told.map(toLoggedEdit).map(({ revision, edit }) => [revision, edit]))
  const revisions = heads.map(({ letters: _, count, ...head }): RevisionTold => {
    const changes = logged.get(head.revision)?.changes.slice(0, ROWS_TOLD) ?? []
    const rows = changes.flatMap((change) => rowDifference(found.rig, change) ?? [])
    return { ...head, rows, more: count - changes.length }
  })
  return { revision: found.revision, revisions }
}

/** The rig as it was at a revision, from the nearer end of its log. Null when there is no such rig or revision. */
export async function rigThen(store: Store, rigId: string, revision: number): Promise<RigThenReply | null> {
  const found = await findRig(store, rigId)
  if (!found || !Number.isSafeInteger(revision) || revision < 1 || revision > found.revision) return null
  const { db } = store.database
  const [logged] = await db
    .select({ at: edits.at })
    .from(edits)
    .where(and(eq(edits.rigId, rigId), eq(edits.revision, revision)))
  if (!logged) return null
  const read = async (after: number, upTo: number) =>
    (await readEditsBetween(db, rigId, after, upTo)).map(({ edit }) => edit)
  let rig: Rig
  if (found.revision - revision <= revision) {
    rig = found.rig
    for (let upTo = found.revision; upTo > revision; upTo -= CHUNK)
      rig = unplay(await read(Math.max(revision, upTo - CHUNK), upTo), rig)
  } else {
    rig = NO_RIG
    for (let after = 0; after < revision; after += CHUNK)
      rig = replay(await read(after, Math.min(revision, after + CHUNK)), rig)
  }
  return { revision, at: logged.at, rig }
}

/** False when there is no such rig or revision. */
export async function nameRevision(
  store: Store,
  rigId: string,
  revision: number,
  name: string,
): Promise<boolean> {
  if (!Number.isSafeInteger(revision) || !(await findHead(store, rigId))) return false
  const named = await store.database.write((tx) =>
    tx
      .update(edits)
      .set({ name })
      .where(and(eq(edits.rigId, rigId), eq(edits.revision, revision)))
      .returning({ revision: edits.revision }),
  )
  return named.length > 0
}

/** Revisions with a name, the newest first. Null when there is no such rig. */
export async function namedRevisions(store: Store, rigId: string): Promise<NamedReply | null> {
  if (!(await findHead(store, rigId))) return null
  const named = await store.database.db
    .select({ revision: edits.revision, at: edits.at, name: edits.name })
    .from(edits)
    .where(and(eq(edits.rigId, rigId), ne(edits.name, '')))
    .orderBy(desc(edits.revision))
  return { named }
}

/** What the log tells happened after a revision, in its order. Null when there is no such rig. */
export async function factsSince(store: Store, rigId: string, since: number): Promise<FactsReply | null> {
  const head = await findHead(store, rigId)
  if (!head) return null
  const { db } = store.database
  const facts: LogFact[] = []
  for (let after = since; ;) {
    const rows = await db
      .select()
      .from(edits)
      .where(and(eq(edits.rigId, rigId), gt(edits.revision, after), inArray(edits.label, [...FACT_LABELS])))
      .orderBy(asc(edits.revision))
      .limit(CHUNK)
    facts.push(...rows.map(toLoggedEdit).flatMap(factsOf))
    const last = rows.at(-1)
    if (!last || rows.length < CHUNK) break
    after = last.revision
  }
  return { revision: head.revision, facts: facts.filter(({ revision }) => revision <= head.revision) }
}
