import { foreignKey, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Preset } from '#core'
import { devices } from './devices'
import { rigRow } from './rigRow'

export const presets = sqliteTable(
  'presets',
  {
    ...rigRow<Preset['id']>(),
    deviceId: text().$type<Preset['deviceId']>().notNull(),
    index: integer().notNull(),
    name: text().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.rigId, table.id] }),
    foreignKey({ columns: [table.rigId, table.deviceId], foreignColumns: [devices.rigId, devices.id] }),
  ],
)
