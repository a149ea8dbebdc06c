import { integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Dump } from '#core/rig'
import { rigRow } from './rigRow'

export const dumps = sqliteTable(
  'dumps',
  {
    ...rigRow<Dump['id']>(),
    order: real().notNull(),
    deviceId: text().$type<Dump['deviceId']>(),
    of: text().notNull(),
    name: text().notNull(),
    note: text().notNull(),
    messages: text({ mode: 'json' }).$type<Dump['messages']>().notNull(),
    from: text().$type<Dump['from']>().notNull(),
    revision: integer().notNull(),
    at: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
