import { integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Run } from '#core/rig'
import { rigRow } from './rigRow'

export const runs = sqliteTable(
  'runs',
  {
    ...rigRow<Run['id']>(),
    order: real().notNull(),
    name: text().notNull(),
    steps: text({ mode: 'json' }).$type<Run['steps']>().notNull(),
    length: integer().notNull(),
    seen: text({ mode: 'json' }).$type<Run['seen']>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
