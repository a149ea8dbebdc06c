import type { Finding, TableName } from '#core'

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
