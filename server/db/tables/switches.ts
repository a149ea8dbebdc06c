import { foreignKey, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Footswitch } from '#core'
import { banks } from './banks'
import { rigRow } from './rigRow'

export const switches = sqliteTable(
  'switches',
  {
    ...rigRow<Footswitch['id']>(),
    bankId: text().$type<Footswitch['bankId']>().notNull(),
    number: integer().notNull(),
    label: text().notNull(),
    positions: text({ mode: 'json' }).$type<Footswitch['positions']>().notNull(),
    release: text({ mode: 'json' }).$type<Footswitch['release']>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.rigId, table.id] }),
    foreignKey({ columns: [table.rigId, table.bankId], foreignColumns: [banks.rigId, banks.id] }),
  ],
)
