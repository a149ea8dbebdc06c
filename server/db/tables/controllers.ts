import { integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Controller } from '#core/rig'
import { boxColumns } from './boxColumns'
import { rigRow } from './rigRow'

export const controllers = sqliteTable(
  'controllers',
  {
    ...rigRow<Controller['id']>(),
    order: real().notNull(),
    name: text().notNull(),
    rows: integer().notNull(),
    columns: integer().notNull(),
    keepsSwitches: integer().notNull(),
    bankCount: integer().notNull(),
    firstBank: integer().$type<Controller['firstBank']>().notNull(),
    messagesPerEvent: integer().notNull(),
    labelLength: integer(),
    firstPreset: integer().$type<Controller['firstPreset']>().notNull(),
    highestProgram: integer().$type<Controller['highestProgram']>().notNull(),
    sendsBankSelect: integer({ mode: 'boolean' }).notNull(),
    events: text({ mode: 'json' }).$type<Controller['events']>().notNull(),
    pressWithLong: text().$type<Controller['pressWithLong']>().notNull(),
    colours: integer().notNull(),
    sendsClock: integer({ mode: 'boolean' }).notNull(),
    followsClock: integer({ mode: 'boolean' }).notNull().default(false),
    tapForgetsMs: integer().notNull().default(2000),
    // Defaults are what rows of version 1 are taken to be, as in the core's schemas.
    waitMs: integer().notNull().default(0),
    runningStatus: integer({ mode: 'boolean' }).notNull().default(false),
    separateOutputs: integer({ mode: 'boolean' }).notNull(),
    builtInPedals: integer().notNull(),
    // No foreign key: banks come after controllers. The core's integrity keeps it.
    home: text().$type<Controller['home']>(),
    onPower: text({ mode: 'json' }).$type<Controller['onPower']>().notNull().default([]),
    entersAtPower: integer({ mode: 'boolean' }).notNull().default(false),
    longMs: integer().notNull().default(500),
    doubleMs: integer().notNull().default(300),
    onBank: text().$type<Controller['onBank']>().notNull().default('keeps'),
    hasShift: integer({ mode: 'boolean' }).notNull().default(false),
    thinsPedals: integer({ mode: 'boolean' }).notNull().default(true),
    macros: integer().notNull().default(0),
    keepsShow: integer({ mode: 'boolean' }).notNull().default(false),
    combos: text({ mode: 'json' }).$type<Controller['combos']>(),
    columnMm: integer().notNull().default(65),
    rowMm: integer().notNull().default(100),
    keeps: text({ mode: 'json' }).$type<Controller['keeps']>().notNull().default([]),
    keying: text({ mode: 'json' }).$type<Controller['keying']>(),
    chords: text().notNull(),
    editGesture: text().notNull(),
    ...boxColumns(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.id] })],
)
