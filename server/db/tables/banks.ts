import { foreignKey, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Bank } from '#core/rig'
import { controllers } from './controllers'
import { rigRow } from './rigRow'

export const banks = sqliteTable(
  'banks',
  {
    ...rigRow<Bank['id']>(),
    controllerId: text().$type<Bank['controllerId']>().notNull(),
    index: integer().notNull(),
    name: text().notNull(),
    // Defaults are what rows of version 2 are taken to be, as in the core's schemas.
    colour: text().notNull().default(''),
    // No foreign key: a page may be put in before its first. The core's integrity keeps it.
    pageOf: text().$type<Bank['pageOf']>(),
    // No foreign key: a song may go before its bank forgets it. The core's integrity keeps it.
    songId: text().$type<Bank['songId']>(),
    enter: text({ mode: 'json' }).$type<Bank['enter']>().notNull().default([]),
    leave: text({ mode: 'json' }).$type<Bank['leave']>().notNull().default([]),
  },
  (table) => [
    primaryKey({ columns: [table.rigId, table.id] }),
    foreignKey({
      columns: [table.rigId, table.controllerId],
      foreignColumns: [controllers.rigId, controllers.id],
    }),
  ],
)
