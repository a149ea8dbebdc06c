import { integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Cable } from '#core/rig'
import { rigRow } from './rigRow'

/** Ends may be in either of two tables, so the core's integrity, not a foreign key, keeps them. */
export const cables = sqliteTable(
  'cables',
  {
    ...rigRow<Cable['id']>(),
    order: real().notNull(),
    from: text({ mode: 'json' }).$type<Cable['from']>().notNull(),
    to: text({ mode: 'json' }).$type<Cable['to']>().notNull(),
    lead: text().$type<Cable['lead']>().notNull(),
    adapters: text({ mode: 'json' }).$type<Cable['adapters']>().notNull(),
    centimetres: integer().notNull(),
    colour: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
