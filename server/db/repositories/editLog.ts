import { and, asc, eq, gt, lte, sql } from 'drizzle-orm'
import { upgradeEdit, type Edit } from '#core'
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

/** An answer of the log holds about so many letters of edits, or the next one when that alone is longer. */
const ANSWER_LETTERS = 4_000_000

/** Edits after a revision, oldest first: at most `limit`, and no more than one answer should hold. */
export async function readEdits(
  db: Db | Transaction,
  rigId: string,
  since: number,
  limit: number,
): Promise<LoggedEdit[]> {
  const ours = eq(edits.rigId, rigId)
  const lengths = await db
    .select({ revision: edits.revision, letters: sql<number>`length(${edits.changes})` })
    .from(edits)
    .where(and(ours, gt(edits.revision, since)))
    .orderBy(asc(edits.revision))
    .limit(limit)
  let letters = 0
  const last = lengths.findLast((one, n) => (letters += one.letters) <= ANSWER_LETTERS || n === 0)
  return last ? readEditsBetween(db, rigId, since, last.revision) : []
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
