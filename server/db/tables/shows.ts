import { primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Show } from '#core/rig'
import { rigRow } from './rigRow'

export const shows = sqliteTable(
  'shows',
  {
    ...rigRow<Show['id']>(),
    order: real().notNull(),
    name: text().notNull(),
    songIds: text({ mode: 'json' }).$type<Show['songIds']>().notNull(),
    stepsOn: text().$type<Show['stepsOn']>().notNull().default('sounds'),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
