import type { Finding } from '#core/check'
import { isProgrammed, type Rig, type TableName } from '#core/rig'

/** A stage of the work, in the order in which players work. */
export interface Stage {
  readonly name: string
  readonly page:
    | 'rig'
    | 'charts'
    | 'sounds'
    | 'switches'
    | 'pedals'
    | 'tempo'
    | 'show'
    | 'proof'
    | 'keyin'
    | 'logbook'
    | 'stage'
  /** The key that goes there. */
  readonly key: string
  /** Findings about these are counted here. */
  readonly tables: readonly TableName[]
}

export const STAGES: readonly Stage[] = [
  { name: 'Rig', page: 'rig', key: 'r', tables: ['about', 'controllers', 'devices', 'cables', 'marks'] },
  { name: 'Charts', page: 'charts', key: 'h', tables: ['presets', 'controls', 'pairs'] },
  { name: 'Sounds', page: 'sounds', key: 'u', tables: ['sounds'] },
  { name: 'Switches', page: 'switches', key: 's', tables: ['macros', 'banks', 'switches', 'runs'] },
  { name: 'Pedals', page: 'pedals', key: 'p', tables: ['pedals', 'rides'] },
  { name: 'Tempo', page: 'tempo', key: 't', tables: ['songs'] },
  { name: 'Set list', page: 'show', key: 'l', tables: ['parts', 'shows'] },
  { name: 'Proof', page: 'proof', key: 'f', tables: ['nevers'] },
  { name: 'Key-in sheet', page: 'keyin', key: 'y', tables: ['keyIns'] },
  { name: 'Logbook', page: 'logbook', key: 'n', tables: ['dumps', 'notes'] },
  { name: 'Stage', page: 'stage', key: 'g', tables: ['practices'] },
]

export const findingsOfStage = (stage: Stage, found: readonly Finding[]): Finding[] =>
  found.filter(({ about }) => stage.tables.includes(about.table))

const has = (rig: Rig, ...tables: readonly TableName[]): boolean =>
  tables.some((table) => Object.keys(rig[table]).length > 0)
const isAnyProgrammed = (rig: Rig): boolean => Object.values(rig.switches).some(isProgrammed)

/** By stage, whether the rig has anything a finding of it could be about. */
const HAS_WORK: Record<Stage['page'], (rig: Rig) => boolean> = {
  rig: (rig) => has(rig, 'controllers', 'devices'),
  charts: (rig) => has(rig, 'controls', 'presets', 'pairs'),
  sounds: (rig) => has(rig, 'sounds'),
  switches: (rig) => isAnyProgrammed(rig) || has(rig, 'macros'),
  pedals: (rig) => has(rig, 'pedals'),
  tempo: (rig) =>
    has(rig, 'songs') || Object.values(rig.devices).some(({ tapIn, looper }) => tapIn ?? looper),
  show: (rig) => has(rig, 'parts'),
  proof: isAnyProgrammed,
  keyin: isAnyProgrammed,
  logbook: (rig) => has(rig, 'dumps', 'notes'),
  stage: isAnyProgrammed,
}

/** Nothing is there to be right or wrong: no stage of that says "ok". */
export const isEmptyStage = (page: Stage['page'], rig: Rig): boolean => !HAS_WORK[page](rig)
