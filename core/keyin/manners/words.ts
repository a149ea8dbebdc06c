import type { Field, Keying, RowKind, Setter } from '#core/rig'

/** Names of kinds on a display of a few words, in the order of their list. */
const KIND_NAMES: readonly (readonly [kind: RowKind, short: string, long: string])[] = [
  ['end', 'End', 'End of list'],
  ['program', 'Prg', 'Program'],
  ['control', 'Ctl', 'Control'],
  ['alternate', 'Alt', 'Two values'],
  ['noteOn', 'nOn', 'Note on'],
  ['noteOff', 'nOF', 'Note off'],
  ['touch', 'tch', 'Pressure'],
  ['bend', 'bnd', 'Bend'],
  ['wait', 'PAU', 'Pause'],
  ['bank', 'bnk', 'Go to bank'],
  ['layer', 'SHF', 'Shift'],
  ['contact', 'con', 'Contact'],
  ['pulse', 'PuL', 'Pulses'],
  ['step', 'StP', 'Step value'],
  ['stepProgram', 'PSt', 'Step program'],
  ['sweep', 'SWP', 'Sweep'],
  ['tap', 'tAP', 'Tap'],
  ['taps', 'tPS', 'Tap out'],
  ['tempo', 'tPO', 'Tempo'],
  ['clock', 'CLk', 'Clock'],
  ['show', 'SHo', 'Show list'],
  ['combo', 'Cmb', 'Combination'],
  ['macro', 'LSt', 'Kept list'],
  ['allOff', 'OFF', 'Everything off'],
  ['again', 'AGn', 'Send again'],
]

export const kinds = (length: 'short' | 'long'): Keying['kinds'] =>
  KIND_NAMES.map(([kind, short, long]) => ({ kind, name: length === 'short' ? short : long }))

const FIELD_NAMES: readonly (readonly [field: Field, short: string, long: string])[] = [
  ['kind', 'ty', 'Type'],
  ['channel', 'ch', 'Channel'],
  ['what', 'do', 'Does'],
  ['number', 'no', 'Number'],
  ['value', 'v1', 'Value'],
  ['other', 'v2', 'Second'],
  ['amount', 'am', 'Amount'],
  ['every', 'ev', 'Every'],
  ['bpm', 'bp', 'Tempo'],
  ['positions', 'ps', 'Positions'],
  ['group', 'gr', 'Group'],
  ['light', 'lt', 'Lamp'],
  ['colour', 'co', 'Colour'],
  ['letter', 'na', 'Letter'],
]

const WORDS: ReadonlySet<Field> = new Set(['kind', 'what', 'light', 'colour'])

/** Every field in the usual order: numbers are set one way, words another, letters a third. */
export const fields = (
  length: 'short' | 'long',
  number: Setter,
  word: Setter = number,
  letter: Setter = word,
): Keying['fields'] =>
  FIELD_NAMES.map(([field, short, long]) => ({
    field,
    name: length === 'short' ? short : long,
    set: field === 'letter' ? letter : WORDS.has(field) ? word : number,
  }))

export const key = (id: string, name: string, isDial = false): Keying['keys'][number] => ({
  id,
  name,
  isDial,
})

export const press = (key: string, holdMs = 0) => ({ key, holdMs })

export const choose = (
  what: Extract<Keying['toSwitch'][number], { do: 'choose' }>['what'],
  set: Setter,
  from: 'start' | 'here' = 'start',
) => ({ do: 'choose', what, set, from }) as const

export const push = (key: string, holdMs = 0) => ({ do: 'press', key, holdMs }) as const
