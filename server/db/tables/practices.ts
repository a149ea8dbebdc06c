import { integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Practice } from '#core/rig'
import { rigRow } from './rigRow'

export const practices = sqliteTable(
  'practices',
  {
    ...rigRow<Practice['id']>(),
    order: real().notNull(),
    on: text().notNull(),
    calls: integer().notNull(),
    misses: integer().notNull(),
    wrongSteps: integer().notNull(),
    found: integer().notNull(),
    foundMs: integer().notNull(),
    pairs: text({ mode: 'json' }).$type<Practice['pairs']>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
