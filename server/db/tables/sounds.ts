import { primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Sound } from '#core/rig'
import { rigRow } from './rigRow'

export const sounds = sqliteTable(
  'sounds',
  {
    ...rigRow<Sound['id']>(),
    order: real().notNull(),
    name: text().notNull(),
    // No foreign key: a variant may be put in before its parent. The core's integrity keeps it.
    parentId: text().$type<Sound['parentId']>(),
    purpose: text().$type<Sound['purpose']>().notNull(),
    notes: text().notNull(),
    colour: text().notNull(),
    tempo: real(),
    cells: text({ mode: 'json' }).$type<Sound['cells']>().notNull(),
    sending: text({ mode: 'json' }).$type<Sound['sending']>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
