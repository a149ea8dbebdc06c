import { primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Macro } from '#core/rig'
import { rigRow } from './rigRow'

export const macros = sqliteTable(
  'macros',
  {
    ...rigRow<Macro['id']>(),
    order: real().notNull(),
    name: text().notNull(),
    actions: text({ mode: 'json' }).$type<Macro['actions']>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
