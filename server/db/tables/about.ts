import { primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { About } from '#core'
import { rigRow } from './rigRow'

export const about = sqliteTable(
  'about',
  {
    ...rigRow<About['id']>(),
    name: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
