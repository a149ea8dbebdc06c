import { text } from 'drizzle-orm/sqlite-core'
import { rigs } from './rigs'

/** The columns every table of a rig has: whose row it is, and its id, typed as the core types it. */
export const rigRow = <RowId extends string>() => ({
  rigId: text()
    .notNull()
    .references(() => rigs.id, { onDelete: 'cascade' }),
  id: text().$type<RowId>().notNull(),
})
