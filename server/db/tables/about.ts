import { primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { About } from '#core/rig'
import { rigRow } from './rigRow'

export const about = sqliteTable(
  'about',
  {
    ...rigRow<About['id']>(),
    name: text().notNull(),
    // Defaults are what rows of version 1 are taken to be, as in the core's schemas.
    unsaid: text().$type<About['unsaid']>().notNull().default('leave'),
    school: text().$type<About['school']>().notNull().default('absolute'),
    // No foreign key: shows come after it. The core's integrity keeps it.
    showId: text().$type<About['showId']>(),
    player: text({ mode: 'json' })
      .$type<About['player']>()
      .notNull()
      .default({ foot: 'right', posture: 'standing', bootMm: 100, reachMm: 600 }),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
