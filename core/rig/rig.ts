import { own } from '#core/base'
import { ABOUT_ID, aboutSchema, type About } from './table/about'
import { bankSchema, type Bank } from './table/bank'
import { cableSchema, type Cable } from './table/cable'
import { controlSchema, type Control } from './table/control'
import { controllerSchema, type Controller } from './table/controller'
import { deviceSchema, type Device } from './table/device'
import { dumpSchema, type Dump } from './table/dump'
import { keyInSchema, type KeyIn } from './table/keyIn'
import { macroSchema, type Macro } from './table/macro'
import { markSchema, type Mark } from './table/mark'
import { neverSchema, type Never } from './table/never'
import { noteSchema, type Note } from './table/note'
import { pairSchema, type Pair } from './table/pair'
import { partSchema, type Part } from './table/part'
import { pedalSchema, type Pedal } from './table/pedal'
import { USUAL_PLAYER } from './table/player'
import { practiceSchema, type Practice } from './table/practice'
import { presetSchema, type Preset } from './table/preset'
import { rideSchema, type Ride } from './table/ride'
import { runSchema, type Run } from './table/run'
import { showSchema, type Show } from './table/show'
import { songSchema, type Song } from './table/song'
import { soundSchema, type Sound } from './table/sound'
import { switchSchema, type Footswitch } from './table/switch'

/** Every table, with the type of its rows. A new table is one line here and one in `rowSchemas`. */
export interface Tables {
  readonly about: About
  readonly controllers: Controller
  readonly devices: Device
  readonly controls: Control
  readonly presets: Preset
  readonly pairs: Pair
  readonly sounds: Sound
  readonly macros: Macro
  readonly songs: Song
  readonly parts: Part
  readonly shows: Show
  readonly banks: Bank
  readonly switches: Footswitch
  readonly pedals: Pedal
  readonly cables: Cable
  readonly marks: Mark
  readonly runs: Run
  readonly rides: Ride
  readonly practices: Practice
  readonly nevers: Never
  readonly keyIns: KeyIn
  readonly dumps: Dump
  readonly notes: Note
}

/** The name of a table, the same in core, store, wire, database and file. */
export type TableName = keyof Tables

/**
 * In the order in which rows may be made: what a row cannot be without stands before it. What it only
 * mentions (a device the control that switches it off) may stand anywhere.
 */
export const rowSchemas = {
  about: aboutSchema,
  controllers: controllerSchema,
  devices: deviceSchema,
  controls: controlSchema,
  presets: presetSchema,
  pairs: pairSchema,
  sounds: soundSchema,
  macros: macroSchema,
  songs: songSchema,
  parts: partSchema,
  shows: showSchema,
  banks: bankSchema,
  switches: switchSchema,
  pedals: pedalSchema,
  cables: cableSchema,
  marks: markSchema,
  runs: runSchema,
  rides: rideSchema,
  practices: practiceSchema,
  nevers: neverSchema,
  keyIns: keyInSchema,
  dumps: dumpSchema,
  notes: noteSchema,
} as const

/** In the order of reference: what a row cannot be without stands before it. */
export const TABLE_NAMES = Object.keys(rowSchemas) as TableName[]

/** Tables that have no part in what a floor does. */
const KEPT_ASIDE: readonly TableName[] = [
  'marks',
  'runs',
  'rides',
  'practices',
  'nevers',
  'keyIns',
  'dumps',
  'notes',
]

/** What decides what a floor does. */
export const FLOOR_TABLES = TABLE_NAMES.filter((table) => !KEPT_ASIDE.includes(table))

/** The rows of a table by their ids. */
export type RowsOf<Table extends TableName> = { readonly [id: string]: Tables[Table] }

/** One player's rig: flat tables of rows by id. */
export type Rig = { readonly [Table in TableName]: RowsOf<Table> }

/** A rig with a name and nothing else. */
export const emptyRig = (name: string): Rig => ({
  about: {
    [ABOUT_ID]: {
      id: ABOUT_ID,
      name,
      unsaid: 'leave',
      school: 'absolute',
      showId: null,
      player: USUAL_PLAYER,
    },
  },
  controllers: {},
  devices: {},
  controls: {},
  presets: {},
  pairs: {},
  sounds: {},
  macros: {},
  songs: {},
  parts: {},
  shows: {},
  banks: {},
  switches: {},
  pedals: {},
  cables: {},
  marks: {},
  runs: {},
  rides: {},
  practices: {},
  nevers: {},
  keyIns: {},
  dumps: {},
  notes: {},
})

/** Empty for a rig whose row about itself is gone. */
export const rigName = (rig: Rig): string => own(rig.about, ABOUT_ID)?.name ?? ''

/** Rows in the order a player sees them. */
export const inOrder = <Row extends { readonly order: number }>(rows: {
  readonly [id: string]: Row
}): Row[] => Object.values(rows).sort((a, b) => a.order - b.order)

/** Rows by their index, the lowest first. */
export const byIndex = <Row extends { readonly index: number }>(rows: {
  readonly [id: string]: Row
}): Row[] => Object.values(rows).sort((a, b) => a.index - b.index)

/** The order value that puts a new row last. */
export const lastOrder = (rows: { readonly [id: string]: { readonly order: number } }): number =>
  Object.values(rows).reduce((last, { order }) => Math.max(last, order), 0) + 1
