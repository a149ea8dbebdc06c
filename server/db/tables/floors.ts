import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { StageNow } from '#core/stage'
import { rigs } from './rigs'

/** The floor of each rig as a desk showed it last: so that a screen can follow by another server of the same database. */
export const floors = sqliteTable('floors', {
  rigId: text()
    .primaryKey()
    .references(() => rigs.id, { onDelete: 'cascade' }),
  /** In ms since 1970; goes up with every change. */
  at: integer().notNull(),
  by: text().notNull(),
  revision: integer().notNull(),
  now: text({ mode: 'json' }).$type<StageNow>().notNull(),
})
