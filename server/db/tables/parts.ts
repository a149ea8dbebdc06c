import { foreignKey, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Part } from '#core/rig'
import { rigRow } from './rigRow'
import { songs } from './songs'

export const parts = sqliteTable(
  'parts',
  {
    ...rigRow<Part['id']>(),
    songId: text().$type<Part['songId']>().notNull(),
    order: real().notNull(),
    name: text().notNull(),
    soundId: text().$type<Part['soundId']>(),
    lasts: text({ mode: 'json' }).$type<Part['lasts']>(),
    ahead: text({ mode: 'json' }).$type<Part['ahead']>(),
    tonight: text({ mode: 'json' }).$type<Part['tonight']>(),
  },
  (table) => [
    primaryKey({ columns: [table.rigId, table.id] }),
    foreignKey({ columns: [table.rigId, table.songId], foreignColumns: [songs.rigId, songs.id] }),
  ],
)
