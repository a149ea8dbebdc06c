import type { ChartRow, ColumnKind } from '#core/chart'
import type { Finding, SlowFindings, SlowQuestion } from '#core/check'
import type { BoxState, LogFact, RigDifference } from '#core/history'
import type { ToldSheet } from '#core/keyin'
import type { Rig } from '#core/rig'
import type { NoBoard, PartWay, Proposal, Walked } from '#core/show'
import type { Matrix } from '#core/sound'

export interface ReadChart {
  readonly columns: readonly ColumnKind[]
  readonly rows: readonly ChartRow[]
  /** A few lines as cut into cells, to map columns by. */
  readonly sample: readonly (readonly string[])[]
}

/** All that is worked out off the page's thread: what is asked with each question besides the rig, and what is answered. */
export interface Questions {
  /** All that is wrong with the rig and need not be searched for. */
  readonly findings: { readonly asked: null; readonly answered: readonly Finding[] }
  /** What is searched for: lamps that can lie, runs that differ, and all that is to be proven. */
  readonly search: { readonly asked: SlowQuestion; readonly answered: SlowFindings }
  /** How rough every change from sound to sound is. */
  readonly matrix: { readonly asked: null; readonly answered: Matrix }
  /** The key-in sheet of a controller, by its id; null where the rig has none such. */
  readonly sheet: { readonly asked: string; readonly answered: ToldSheet | null }
  /** The show that is on walked through, with how every part is come to. */
  readonly walk: {
    readonly asked: null
    readonly answered: { readonly parts: readonly Walked[]; readonly ways: readonly PartWay[] }
  }
  /** A board that takes fewer steps, what failed in practice counting more or not. */
  readonly board: { readonly asked: { readonly isMindful: boolean }; readonly answered: Proposal | NoBoard }
  /** What differs between two states; the second is the rig asked of where it is null. */
  readonly compare: {
    readonly asked: { readonly before: Rig; readonly after: Rig | null }
    readonly answered: RigDifference
  }
  /** How every box stands, by the facts of the history and the rigs of the revisions they speak of. */
  readonly saveStates: {
    readonly asked: {
      readonly facts: readonly LogFact[]
      readonly rigs: readonly (readonly [revision: number, rig: Rig])[]
    }
    readonly answered: readonly BoxState[]
  }
  /** A pasted chart read; where the columns are null they are recognised. */
  readonly chart: {
    readonly asked: { readonly text: string; readonly columns: readonly ColumnKind[] | null }
    readonly answered: ReadChart
  }
}

export type QuestionName = keyof Questions
export type Asked<Name extends QuestionName> = Questions[Name]['asked']
export type Answered<Name extends QuestionName> = Questions[Name]['answered']

/** The slow go on for seconds and rest in between; the quick are wanted while one looks. */
export type Pace = 'quick' | 'slow'

export const PACE: { readonly [Name in QuestionName]: Pace } = {
  findings: 'quick',
  search: 'slow',
  matrix: 'quick',
  sheet: 'quick',
  walk: 'slow',
  board: 'slow',
  compare: 'quick',
  saveStates: 'quick',
  chart: 'quick',
}
