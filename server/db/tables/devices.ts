import { primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Device } from '#core'
import { rigRow } from './rigRow'

export const devices = sqliteTable(
  'devices',
  {
    ...rigRow<Device['id']>(),
    order: real().notNull(),
    name: text().notNull(),
    channel: text({ mode: 'json' }).$type<Device['channel']>().notNull(),
    numbering: text({ mode: 'json' }).$type<Device['numbering']>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
