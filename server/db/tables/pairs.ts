import { foreignKey, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Pair } from '#core/rig'
import { devices } from './devices'
import { rigRow } from './rigRow'

export const pairs = sqliteTable(
  'pairs',
  {
    ...rigRow<Pair['id']>(),
    deviceId: text().$type<Pair['deviceId']>().notNull(),
    order: real().notNull(),
    name: text().notNull(),
    by: text().notNull(),
    a: text({ mode: 'json' }).$type<Pair['a']>().notNull(),
    b: text({ mode: 'json' }).$type<Pair['b']>().notNull(),
    isLocked: integer({ mode: 'boolean' }).notNull(),
    losesAll: text().notNull(),
    learned: text(),
  },
  (table) => [
    primaryKey({ columns: [table.rigId, table.id] }),
    foreignKey({ columns: [table.rigId, table.deviceId], foreignColumns: [devices.rigId, devices.id] }),
  ],
)
