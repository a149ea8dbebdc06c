import { primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Never } from '#core/rig'
import { rigRow } from './rigRow'

export const nevers = sqliteTable(
  'nevers',
  {
    ...rigRow<Never['id']>(),
    order: real().notNull(),
    things: text({ mode: 'json' }).$type<Never['things']>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
