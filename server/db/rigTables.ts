import type { TableName, Tables } from '#core/rig'
import { about } from './tables/about'
import { banks } from './tables/banks'
import { cables } from './tables/cables'
import { controls } from './tables/controls'
import { controllers } from './tables/controllers'
import { devices } from './tables/devices'
import { dumps } from './tables/dumps'
import { keyIns } from './tables/keyIns'
import { macros } from './tables/macros'
import { marks } from './tables/marks'
import { nevers } from './tables/nevers'
import { notes } from './tables/notes'
import { pairs } from './tables/pairs'
import { parts } from './tables/parts'
import { pedals } from './tables/pedals'
import { practices } from './tables/practices'
import { presets } from './tables/presets'
import { rides } from './tables/rides'
import { runs } from './tables/runs'
import { shows } from './tables/shows'
import { songs } from './tables/songs'
import { sounds } from './tables/sounds'
import { switches } from './tables/switches'

/** The Drizzle table of each table of a rig. */
export const rigTables = {
  about,
  controllers,
  devices,
  controls,
  presets,
  pairs,
  sounds,
  macros,
  songs,
  parts,
  shows,
  banks,
  switches,
  pedals,
  cables,
  marks,
  runs,
  rides,
  practices,
  nevers,
  keyIns,
  dumps,
  notes,
} as const satisfies Record<TableName, unknown>

type Stored<Table extends TableName> = Omit<(typeof rigTables)[Table]['$inferSelect'], 'rigId'>

type IsSame<Left, Right> = [Left] extends [Right] ? ([Right] extends [Left] ? true : false) : false

/**
 * Compiles only while every stored row and the core's row are the same type.
 * @public
 */
export const ROWS_AGREE: { [Table in TableName]: IsSame<Stored<Table>, Tables[Table]> } = {
  about: true,
  controllers: true,
  devices: true,
  controls: true,
  presets: true,
  banks: true,
  switches: true,
  pedals: true,
  cables: true,
  pairs: true,
  sounds: true,
  macros: true,
  marks: true,
  runs: true,
  rides: true,
  practices: true,
  nevers: true,
  keyIns: true,
  dumps: true,
  notes: true,
  songs: true,
  parts: true,
  shows: true,
}
