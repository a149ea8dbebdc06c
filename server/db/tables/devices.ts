import { integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Device } from '#core/rig'
import { boxColumns } from './boxColumns'
import { rigRow } from './rigRow'

export const devices = sqliteTable(
  'devices',
  {
    ...rigRow<Device['id']>(),
    order: real().notNull(),
    name: text().notNull(),
    kind: text().$type<Device['kind']>().notNull(),
    channel: text({ mode: 'json' }).$type<Device['channel']>().notNull(),
    factoryChannel: text({ mode: 'json' }).$type<Device['factoryChannel']>().notNull(),
    isChannelFixed: integer({ mode: 'boolean' }).notNull(),
    sharesChannel: integer({ mode: 'boolean' }).notNull(),
    numbering: text({ mode: 'json' }).$type<Device['numbering']>().notNull(),
    receivesPrograms: integer({ mode: 'boolean' }).notNull(),
    sendsProgramsBack: integer({ mode: 'boolean' }).notNull(),
    followsClock: integer({ mode: 'boolean' }).notNull(),
    relays: text({ mode: 'json' }).$type<Device['relays']>().notNull(),
    // Defaults are what rows of version 1 are taken to be, as in the core's schemas.
    bypass: text({ mode: 'json' }).$type<Device['bypass']>().notNull().default({ kind: 'none' }),
    rest: text({ mode: 'json' }).$type<Device['rest']>(),
    deafMs: integer().notNull().default(20),
    whileDeaf: text().$type<Device['whileDeaf']>().notNull().default('loses'),
    gap: text({ mode: 'json' }).$type<Device['gap']>().notNull().default({ heard: 'slight', ms: 20 }),
    powerOn: integer(),
    givesClock: integer({ mode: 'boolean' }).notNull().default(false),
    clockHarms: integer({ mode: 'boolean' }).notNull().default(false),
    tapIn: text({ mode: 'json' }).$type<Device['tapIn']>(),
    looper: text({ mode: 'json' }).$type<Device['looper']>(),
    dumping: text({ mode: 'json' }).$type<Device['dumping']>(),
    ...boxColumns(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
