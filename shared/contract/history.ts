import * as z from 'zod/mini'
import type { LogFact, RowDifference } from '#core/history'
import { nameSchema, type EditLabel, type Rig } from '#core/rig'

/** Revisions in one answer, at most. */
export const HISTORY_PAGE = 100
/** Rows told of one revision, at most. */
export const ROWS_TOLD = 8

/** GET /api/rigs/:id/history?before=N, the newest first. */
export const historyQuerySchema = z.object({
  before: z.optional(z.pipe(z.coerce.number(), z.int().check(z.gte(1), z.lte(Number.MAX_SAFE_INTEGER)))),
})

export interface HistoryReply {
  readonly revision: number
  readonly revisions: readonly RevisionTold[]
}

export interface RevisionTold {
  readonly revision: number
  readonly at: string
  readonly label: EditLabel
  /** What the player calls the rig as it was then; empty where it has no name. */
  readonly name: string
  /** The first rows it changed, and how many more. */
  readonly rows: readonly RowDifference[]
  readonly more: number
}

/** POST /api/rigs/:id/revisions/:revision; an empty name takes it away. */
export const nameRevisionSchema = z.strictObject({ name: z.union([z.literal(''), nameSchema]) })

/** GET /api/rigs/:id/named */
export interface NamedReply {
  readonly named: readonly { readonly revision: number; readonly at: string; readonly name: string }[]
}

/** GET /api/rigs/:id/revisions/:revision */
export interface RigThenReply {
  readonly revision: number
  readonly at: string
  readonly rig: Rig
}

/** GET /api/rigs/:id/logbook?since=N */
export interface FactsReply {
  readonly revision: number
  readonly facts: readonly LogFact[]
}
