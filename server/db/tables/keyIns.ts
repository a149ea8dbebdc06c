import { integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { KeyIn } from '#core/rig'
import { rigRow } from './rigRow'

export const keyIns = sqliteTable(
  'keyIns',
  {
    ...rigRow<KeyIn['id']>(),
    controllerId: text().$type<KeyIn['controllerId']>().notNull(),
    place: text().notNull(),
    content: text({ mode: 'json' }).$type<KeyIn['content']>(),
    how: text().$type<KeyIn['how']>().notNull(),
    revision: integer().notNull(),
    at: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
