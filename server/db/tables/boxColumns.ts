import { text } from 'drizzle-orm/sqlite-core'
import type { Device } from '#core/rig'

/** What controllers and devices both have: jacks, a way to save, a place on the map. */
export const boxColumns = () => ({
  saving: text({ mode: 'json' }).$type<Device['saving']>().notNull(),
  ports: text({ mode: 'json' }).$type<Device['ports']>().notNull(),
  spot: text({ mode: 'json' }).$type<NonNullable<Device['spot']>>(),
})
