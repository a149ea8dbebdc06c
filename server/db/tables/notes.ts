import { integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Note } from '#core/rig'
import { rigRow } from './rigRow'

export const notes = sqliteTable(
  'notes',
  {
    ...rigRow<Note['id']>(),
    at: text().notNull(),
    about: text({ mode: 'json' }).$type<Note['about']>(),
    name: text().notNull(),
    text: text().notNull(),
    fact: text({ mode: 'json' }).$type<Note['fact']>().notNull(),
    revision: integer().notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
