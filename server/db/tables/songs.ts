import { integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Song } from '#core/rig'
import { rigRow } from './rigRow'

export const songs = sqliteTable(
  'songs',
  {
    ...rigRow<Song['id']>(),
    order: real().notNull(),
    name: text().notNull(),
    tempo: real(),
    tonight: text({ mode: 'json' }).$type<Song['tonight']>(),
    countIn: integer(),
    notes: text().notNull(),
    key: text().notNull().default(''),
    beatsPerBar: integer().notNull().default(4),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
