import { integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Ride } from '#core/rig'
import { rigRow } from './rigRow'

export const rides = sqliteTable(
  'rides',
  {
    ...rigRow<Ride['id']>(),
    order: real().notNull(),
    name: text().notNull(),
    on: text().notNull(),
    length: integer().notNull(),
    moves: text({ mode: 'json' }).$type<Ride['moves']>().notNull(),
    toes: text({ mode: 'json' }).$type<Ride['toes']>().notNull(),
    meant: text({ mode: 'json' }).$type<Ride['meant']>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
