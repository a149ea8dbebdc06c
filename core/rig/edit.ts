import type { Problem } from './problem'
import type { TableName, Tables } from './rig'

/** What kind of change an edit is; `app/text/edits.ts` says it in words. */
export const EDIT_LABELS = [
  /** The first state of a rig: made empty, brought in from a file, or the demo. */
  'makeRig',
  'addPedal',
  'changePedal',
  'calibratePedal',
  'removePedal',
  'addSong',
  'changeSong',
  'removeSong',
  'keepTempo',
  'tempoTonight',
  'dropTonight',
  'addPart',
  'changePart',
  'movePart',
  'removePart',
  'addShow',
  'changeShow',
  'removeShow',
  'moveSong',
  'pasteShow',
  'partTonight',
  'dropShowTonight',
  'layBoard',
  'pinSwitch',
  'setPlayer',
  'placeSound',
  'placeShowStep',
  'banksInOrder',
  'keepTime',
  'timeInSounds',
  'setTapIn',
  'setClock',
  'setLooper',
  'planLooper',
  'addRide',
  'changeRide',
  'removeRide',
  'keepPractice',
  'forgetPractice',
  'addNever',
  'removeNever',
  'setKeying',
  'keyIn',
  'keyInAll',
  'forgetKeyIn',
  'heardKeyIn',
  'learnController',
  'addDump',
  'changeDump',
  'removeDump',
  'setDumping',
  'addNote',
  'changeNote',
  'removeNote',
  'testPlan',
  'sentDump',
  'goBack',
  /** The log of a rig of an earlier version did not lead to what was stored. */
  'mendLog',
  'renameRig',
  'buildFloor',
  'firstSound',
  'addController',
  'changeController',
  'removeController',
  'addDevice',
  'changeDevice',
  'removeDevice',
  'setChannel',
  'changeNumbering',
  'addPreset',
  'namePreset',
  'removePreset',
  'addBank',
  'nameBank',
  'removeBank',
  'labelSwitch',
  'setMode',
  'setRecall',
  'removeRecall',
  'moveRecall',
  'clearSwitch',
  'copySwitch',
  'layCable',
  'changeCable',
  'removeCable',
  'setJack',
  'setPanel',
  'moveDevice',
  'spreadChannels',
  'moveBox',
  'tidy',
  'tick',
  'clearTicks',
  'addControl',
  'changeControl',
  'removeControl',
  'takeChart',
  'copyChart',
  'changePreset',
  'fillPresets',
  'setRelay',
  'addPair',
  'changePair',
  'removePair',
  'testControl',
  'addSound',
  'changeSound',
  'moveSound',
  'removeSound',
  'setCell',
  'pasteCells',
  'takeFloor',
  'orderSending',
  'setSchool',
  'setSwitchSound',
  'soundFromSwitch',
  'presetsFromSound',
  'planLevel',
  'addAction',
  'changeAction',
  'setPositions',
  'changeSwitch',
  'changeSwitches',
  'clearSwitches',
  'moveSwitch',
  'swapSwitches',
  'copySeries',
  'fillBank',
  'changeBank',
  'copyBank',
  'swapBanks',
  'moveBank',
  'clearBank',
  'addMacro',
  'changeMacro',
  'removeMacro',
  'setAfterRecall',
  'resyncAfterRecall',
  'setAtPower',
  'makeAbsolute',
  'noLamp',
  'countPresses',
  'addRun',
  'renameRun',
  'removeRun',
  'keepRun',
] as const

/** What an edit was for, as a code: words are the app's. */
export type EditLabel = (typeof EDIT_LABELS)[number]

/** One row before and after; null where it is absent. */
export type Change = {
  readonly [Table in TableName]: {
    readonly table: Table
    readonly id: string
    readonly before: Tables[Table] | null
    readonly after: Tables[Table] | null
  }
}[TableName]

/** The only way a rig changes: it can be applied, inverted, stored and sent. */
export interface Edit {
  readonly label: EditLabel
  readonly changes: readonly Change[]
}

/** Why an edit was not done; nothing of it is then. */
export type EditRefusal =
  /** A row is no longer what the edit says it was. */
  | { readonly code: 'stale'; readonly table: TableName; readonly id: string }
  /** The rig would not be valid afterwards. */
  | { readonly code: 'invalid'; readonly problems: readonly [Problem, ...Problem[]] }
  /** It is larger than an edit may be, in bytes. */
  | { readonly code: 'tooLarge'; readonly most: number }

/** One change, typed by its table. */
export const change = <Table extends TableName>(
  table: Table,
  id: string,
  before: Tables[Table] | null,
  after: Tables[Table] | null,
): Change => ({ table, id, before, after }) as unknown as Change

/** The edit that undoes `edit`. Inverting twice gives an equal edit. */
export const invertEdit = (edit: Edit): Edit => ({
  label: edit.label,
  changes: edit.changes.map(({ table, id, before, after }) => change(table, id, after, before)).reverse(),
})
