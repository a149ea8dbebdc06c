import { foreignKey, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Control } from '#core/rig'
import { devices } from './devices'
import { rigRow } from './rigRow'

export const controls = sqliteTable(
  'controls',
  {
    ...rigRow<Control['id']>(),
    deviceId: text().$type<Control['deviceId']>().notNull(),
    order: real().notNull(),
    name: text().notNull(),
    section: text().notNull(),
    address: text({ mode: 'json' }).$type<Control['address']>().notNull(),
    reading: text({ mode: 'json' }).$type<Control['reading']>().notNull(),
    kind: text().$type<Control['kind']>().notNull(),
    map: text().$type<Control['map']>().notNull(),
    division: text().$type<Control['division']>(),
    source: text().$type<Control['source']>().notNull(),
    note: text().notNull(),
    origin: text().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.rigId, table.id] }),
    foreignKey({ columns: [table.rigId, table.deviceId], foreignColumns: [devices.rigId, devices.id] }),
  ],
)
