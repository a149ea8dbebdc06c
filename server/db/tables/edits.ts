import { integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core'
import type { Change, EditLabel } from '#core/rig'
import { rigs } from './rigs'

/** The log: every confirmed edit, the revision it made, and the id its sender gave it. */
export const edits = sqliteTable(
  'edits',
  {
    rigId: text()
      .notNull()
      .references(() => rigs.id, { onDelete: 'cascade' }),
    revision: integer().notNull(),
    id: text().notNull(),
    at: text().notNull(),
    /** What the player calls the rig as it was then; empty where it has no name. */
    name: text().notNull().default(''),
    label: text().$type<EditLabel>().notNull(),
    changes: text({ mode: 'json' }).$type<readonly Change[]>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.rigId, table.revision] }),
    uniqueIndex('edits_by_id').on(table.rigId, table.id),
  ],
)
