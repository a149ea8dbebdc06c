import { foreignKey, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Footswitch } from '#core/rig'
import { banks } from './banks'
import { rigRow } from './rigRow'

export const switches = sqliteTable(
  'switches',
  {
    ...rigRow<Footswitch['id']>(),
    bankId: text().$type<Footswitch['bankId']>().notNull(),
    number: integer().notNull(),
    // Defaults are what rows of version 2 are taken to be, as in the core's schemas.
    jack: text().notNull().default(''),
    layer: text().$type<Footswitch['layer']>().notNull().default('base'),
    everywhere: integer({ mode: 'boolean' }).notNull().default(false),
    label: text().notNull(),
    positions: text({ mode: 'json' }).$type<Footswitch['positions']>().notNull(),
    release: text({ mode: 'json' }).$type<Footswitch['release']>().notNull(),
    longPress: text({ mode: 'json' }).$type<Footswitch['longPress']>().notNull().default([]),
    doublePress: text({ mode: 'json' }).$type<Footswitch['doublePress']>().notNull().default([]),
    group: text().notNull().default(''),
    lamps: text({ mode: 'json' }).$type<Footswitch['lamps']>().notNull().default([]),
    isPinned: integer({ mode: 'boolean' }).notNull().default(false),
  },
  (table) => [
    primaryKey({ columns: [table.rigId, table.id] }),
    foreignKey({ columns: [table.rigId, table.bankId], foreignColumns: [banks.rigId, banks.id] }),
  ],
)
