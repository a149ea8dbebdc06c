import { integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Mark } from '#core/rig'
import { rigRow } from './rigRow'

export const marks = sqliteTable(
  'marks',
  {
    ...rigRow<Mark['id']>(),
    line: text().notNull(),
    said: text().notNull(),
    revision: integer().notNull(),
    at: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
