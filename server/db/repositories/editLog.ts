import { and, asc, eq, gt, lte, sql } from 'drizzle-orm'
import { upgradeEdit, type Edit } from '#core/rig'
import type { LoggedEdit } from '#shared/contract/rigs'
import type { Db, Transaction } from '../database'
import { edits } from '../schema'

type EditRow = typeof edits.$inferSelect

const toRow = (rigId: string, { revision, id, at, edit }: LoggedEdit): EditRow => ({
  rigId,
  revision,
  id,
  at,
  name: '',
  label: edit.label,
  changes: edit.changes,
})

export const toLoggedEdit = ({ revision, id, at, label, changes }: EditRow): LoggedEdit => ({
  revision,
  id,
  at,
  edit: upgradeEdit({ label, changes } satisfies Edit),
})

export const logEdit = (tx: Transaction, rigId: string, logged: LoggedEdit): Promise<unknown> =>
  tx.insert(edits).values(toRow(rigId, logged)).run()

/** An answer of the log holds about so many bytes of edits, or the next one when that alone is longer. */
const ANSWER_BYTES = 4_000_000

/**
 * Edits after a revision, oldest first: the revision of the last that may be read together, at most `limit` of them and `bytes`
 * bytes, or the next one alone when that is longer; null where there is none. SQLite tells the bytes of a text from the head of
 * its row (`octet_length`, since 3.43), so that the texts themselves stay unread.
 */
export async function lastWithin(
  db: Db | Transaction,
  rigId: string,
  since: number,
  limit: number,
  bytes: number,
): Promise<number | null> {
  const sizes = await db
    .select({ revision: edits.revision, bytes: sql<number>`octet_length(${edits.changes})` })
    .from(edits)
    .where(and(eq(edits.rigId, rigId), gt(edits.revision, since)))
    .orderBy(asc(edits.revision))
    .limit(limit)
  let sum = 0
  let last: number | null = null
  for (const one of sizes) {
    sum += one.bytes
    if (last !== null && sum > bytes) break
    last = one.revision
  }
  return last
}

/** Edits after a revision, oldest first: at most `limit`, and no more than one answer should hold. */
export async function readEdits(
  db: Db | Transaction,
  rigId: string,
  since: number,
  limit: number,
): Promise<LoggedEdit[]> {
  const last = await lastWithin(db, rigId, since, limit, ANSWER_BYTES)
  return last === null ? [] : readEditsBetween(db, rigId, since, last)
}

/** Edits after one revision, up to and with another, oldest first. */
export const readEditsBetween = async (
  db: Db | Transaction,
  rigId: string,
  after: number,
  upTo: number,
): Promise<LoggedEdit[]> => (await rowsBetween(db, rigId, after, upTo)).map(toLoggedEdit)

/**
 * The same with the name of each version, empty where it has none. Asked for alone, names cost a walk over all that stands
 * before them in their rows: of a long history that holds everybody up.
 */
export const readNamedEditsBetween = async (
  db: Db | Transaction,
  rigId: string,
  after: number,
  upTo: number,
): Promise<(LoggedEdit & { readonly name: string })[]> =>
  (await rowsBetween(db, rigId, after, upTo)).map((row) => ({ ...toLoggedEdit(row), name: row.name }))

const rowsBetween = (db: Db | Transaction, rigId: string, after: number, upTo: number) =>
  db
    .select()
    .from(edits)
    .where(and(eq(edits.rigId, rigId), gt(edits.revision, after), lte(edits.revision, upTo)))
    .orderBy(asc(edits.revision))
