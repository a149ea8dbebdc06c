import { foreignKey, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Bank } from '#core'
import { controllers } from './controllers'
import { rigRow } from './rigRow'

export const banks = sqliteTable(
  'banks',
  {
    ...rigRow<Bank['id']>(),
    controllerId: text().$type<Bank['controllerId']>().notNull(),
    index: integer().notNull(),
    name: text().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.rigId, table.id] }),
    foreignKey({
      columns: [table.rigId, table.controllerId],
      foreignColumns: [controllers.rigId, controllers.id],
    }),
  ],
)
