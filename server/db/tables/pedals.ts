import { integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Pedal } from '#core/rig'
import { rigRow } from './rigRow'

export const pedals = sqliteTable(
  'pedals',
  {
    ...rigRow<Pedal['id']>(),
    order: real().notNull(),
    name: text().notNull(),
    place: text({ mode: 'json' }).$type<Pedal['place']>().notNull(),
    roles: text({ mode: 'json' }).$type<Pedal['roles']>().notNull(),
    takeover: text().$type<Pedal['takeover']>().notNull(),
    everyMs: integer().notNull(),
    calibration: text({ mode: 'json' }).$type<NonNullable<Pedal['calibration']>>(),
    off: text({ mode: 'json' }).$type<NonNullable<Pedal['off']>>(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
