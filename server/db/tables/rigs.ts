import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'

/** One line per rig; its name is in `about`. Times are ISO 8601, UTC. */
export const rigs = sqliteTable('rigs', {
  id: text().primaryKey(),
  revision: integer().notNull(),
  createdAt: text().notNull(),
  changedAt: text().notNull(),
  /** Null while it is there; a deleted rig can be brought back. */
  deletedAt: text(),
})
