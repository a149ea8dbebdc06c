import { foreignKey, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Preset } from '#core/rig'
import { devices } from './devices'
import { rigRow } from './rigRow'

export const presets = sqliteTable(
  'presets',
  {
    ...rigRow<Preset['id']>(),
    deviceId: text().$type<Preset['deviceId']>().notNull(),
    index: integer().notNull(),
    name: text().notNull(),
    purpose: text().$type<Preset['purpose']>().notNull(),
    notes: text().notNull(),
    level: real(),
    recalls: text({ mode: 'json' }).$type<Preset['recalls']>().notNull(),
    entered: text({ mode: 'json' }).$type<Preset['entered']>().notNull(),
    lacks: text({ mode: 'json' }).$type<Preset['lacks']>().notNull(),
    closes: text({ mode: 'json' }).$type<Preset['closes']>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.rigId, table.id] }),
    foreignKey({ columns: [table.rigId, table.deviceId], foreignColumns: [devices.rigId, devices.id] }),
  ],
)
