import { sqliteTable, text } from 'drizzle-orm/sqlite-core'

/** What all servers of one database share, by name. */
export const settings = sqliteTable('settings', {
  name: text().primaryKey(),
  value: text().notNull(),
})
