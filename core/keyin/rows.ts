import { ROW_KINDS, type Field, type Keying, type RowKind, type Controller, type Row } from '#core/rig'
import { perObject, U14_MAX } from '#core/base'
import { BPM_FROM } from '#core/switching'
import { canSet, type Domain } from './setting'

export type { FixedRow, Row } from '#core/rig'

/** The fields of a row of each kind. */
const KIND_FIELDS = {
  end: [],
  program: ['channel', 'number'],
  control: ['channel', 'number', 'value'],
  /** Each press the other of two values. */
  alternate: ['channel', 'number', 'value', 'other'],
  noteOn: ['channel', 'number', 'value'],
  noteOff: ['channel', 'number', 'value'],
  touch: ['channel', 'value'],
  bend: ['channel', 'amount'],
  /** In ms. */
  wait: ['amount'],
  bank: ['what', 'amount'],
  layer: ['what'],
  /** The contacts of the controller's switching outputs, counted through. */
  contact: ['what', 'number'],
  /** Closed so often (`other`), for so many ms (`amount`), one every so many (`every`). */
  pulse: ['number', 'other', 'amount', 'every'],
  /** By `amount`, between `value` and `other`. */
  step: ['channel', 'number', 'what', 'value', 'other', 'amount'],
  stepProgram: ['channel', 'what', 'value', 'other'],
  /** To `value` from `other`, in `amount` ms. */
  sweep: ['channel', 'number', 'value', 'other', 'what', 'amount'],
  tap: [],
  /** The tempo tapped out on a contact, so many times. */
  taps: ['number', 'other'],
  tempo: ['what', 'bpm'],
  clock: ['what'],
  show: ['what', 'amount'],
  combo: ['amount'],
  macro: ['amount'],
  allOff: [],
  again: [],
} as const satisfies Record<RowKind, readonly Field[]>

/** What `what` can say, kind by kind, in the order of the list. */
const WHATS: Partial<Record<RowKind, readonly string[]>> = {
  bank: ['next bank', 'bank before', 'bank number', 'back', 'home', 'next page'],
  layer: ['while held', 'change', 'shift on', 'shift off'],
  contact: ['close', 'open', 'change'],
  step: ['up, round', 'up, stops', 'down, round', 'down, stops'],
  stepProgram: ['up, round', 'up, stops', 'down, round', 'down, stops'],
  sweep: ['straight', 'slow start', 'slow end', 'slow both'],
  tempo: ['set', 'by so much', 'stored'],
  clock: ['start', 'stop', 'continue', 'change'],
  show: ['next part', 'part before', 'next song', 'song before', 'song'],
}

export const LIGHTS = ['as the switch', 'off', 'steady', 'flash', 'tempo'] as const

/** Letters a display can show; another is keyed in as "?". */
export const LETTERS = " ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-+.,/&'()!?#"

export const END: Row = ['end']

/** The values of a row by field. */
export type FieldValues = { readonly [One in Field]?: number }

/** A row as it stands in a controller that is keyed in so: only fields it has. */
export interface RowShape {
  readonly keying: Keying
  readonly controller: Controller
  /** Colours of lamps, as the player calls them, the controller's usual one first. */
  readonly colours: readonly string[]
}

const LETTER_FIELDS = new Map<number, readonly Field[]>()

function letters(count: number): readonly Field[] {
  const known = LETTER_FIELDS.get(count)
  if (known) return known
  const all = Array.from({ length: count }, (): Field => 'letter')
  LETTER_FIELDS.set(count, all)
  return all
}

/** The fields of a row in the order of its values, `kind` left out. */
export function rowFields(shape: RowShape, kind: Row[0]): readonly Field[] {
  switch (kind) {
    case 'settings':
      return SETTINGS
    case 'lamp':
      return LAMP
    case 'name':
      return letters(shape.controller.labelLength ?? 0)
    default:
      return KIND_FIELDS[kind]
  }
}

const SETTINGS: readonly Field[] = ['positions', 'group']
const LAMP: readonly Field[] = ['light', 'colour']

/** A field of a row in the order in which it is gone through, with the place of its value in the row; 0 is the kind. */
export interface FieldAt {
  readonly field: Field
  readonly at: number
}

/** The fields of a row in the order in which this controller goes through them. */
export function fieldsInOrder(shape: RowShape, kind: Row[0]): readonly FieldAt[] {
  const its = ordersOf(shape)
  let order = its.get(kind)
  if (!order) its.set(kind, (order = orderOf(shape, kind)))
  return order
}

const ordersOf = perObject((_: RowShape) => new Map<Row[0], readonly FieldAt[]>())

function orderOf(shape: RowShape, kind: Row[0]): readonly FieldAt[] {
  const has = rowFields(shape, kind)
  const all: FieldAt[] = []
  for (const { field } of shape.keying.fields) {
    if (field === 'kind' && isKind(kind)) all.push({ field, at: 0 })
    has.forEach((one, n) => {
      if (one === field) all.push({ field, at: n + 1 })
    })
  }
  return all
}

const isKind = (kind: Row[0]): kind is RowKind => (ROW_KINDS as readonly string[]).includes(kind)

/** The kinds of rows this controller has, in the order of its list. */
export const kindsOf = ({ keying }: RowShape): readonly RowKind[] => keying.kinds.map(({ kind }) => kind)

/** Whether a row can be keyed in there: its kind is on the list, and every field it has is. */
export function canHold(shape: RowShape, row: Row): boolean {
  const [kind, ...values] = row
  if (isKind(kind) && !kindsOf(shape).includes(kind)) return false
  return rowFields(shape, kind).every((field, n) => {
    const value = values[n]!
    const domain = domainOf(shape, kind, field)
    const set = setterOf(shape, field)
    return Number.isInteger(value) && value >= 0 && value < domain.size && set !== null && canSet(set, domain)
  })
}

/** What a field of a row of some kind can be. */
export function domainOf({ keying, controller, colours }: RowShape, kind: Row[0], field: Field): Domain {
  switch (field) {
    case 'kind':
      return { size: keying.kinds.length, first: 1 }
    case 'channel':
      return { size: 16, first: 1 }
    case 'number':
      return {
        size: 128,
        first:
          kind === 'program'
            ? controller.firstPreset
            : kind === 'contact' || kind === 'pulse' || kind === 'taps'
              ? 1
              : 0,
      }
    case 'value':
      return { size: 128, first: kind === 'stepProgram' ? controller.firstPreset : 0 }
    // A sweep from where the control is has no value of its own: 0 stands for it.
    case 'other':
      return {
        size: kind === 'sweep' ? 129 : 128,
        first: kind === 'stepProgram' ? controller.firstPreset : 0,
      }
    case 'what':
      return { size: (isKind(kind) && WHATS[kind]?.length) || 1, first: 1 }
    case 'amount':
      return kind === 'bank'
        ? { size: controller.bankCount, first: controller.firstBank }
        : kind === 'combo'
          ? { size: controller.combos?.count ?? 1, first: controller.combos?.first ?? 1 }
          : kind === 'macro'
            ? { size: Math.max(1, controller.macros), first: 1 }
            : kind === 'show'
              ? { size: 500, first: 1 }
              : { size: kind === 'bend' ? U14_MAX + 1 : kind === 'sweep' ? 60_001 : 10_000, first: 0 }
    case 'every':
      return { size: 5001, first: 0 }
    case 'bpm':
      return { size: 5001, first: 0 }
    case 'positions':
      return { size: 16, first: 1 }
    case 'group':
      return { size: 100, first: 0 }
    case 'light':
      return { size: LIGHTS.length, first: 1 }
    case 'colour':
      return { size: Math.max(1, colours.length), first: 1 }
    case 'letter':
      return { size: LETTERS.length, first: 1 }
  }
}

/** A value as the display shows it. */
export function valueText(shape: RowShape, kind: Row[0], field: Field, value: number): string {
  switch (field) {
    case 'kind':
      return shape.keying.kinds[value]?.name ?? ''
    case 'what':
      return (isKind(kind) && WHATS[kind]?.[value]) || ''
    case 'light':
      return LIGHTS[value] ?? ''
    case 'colour':
      return shape.colours[value] ?? ''
    case 'letter':
      return LETTERS[value] ?? ''
    case 'bpm':
      return String(value / 10 + BPM_FROM)
    case 'group':
      return value === 0 ? 'none' : String(value)
    case 'other':
      if (kind === 'sweep') return value === 0 ? 'here' : String(value - 1)
      return String(value + domainOf(shape, kind, field).first)
    default:
      return String(value + domainOf(shape, kind, field).first)
  }
}

/** The values of a row by field; of letters the first. */
export function valuesOf(shape: RowShape, row: Row): FieldValues {
  const values: { [One in Field]?: number } = {}
  if (isKind(row[0])) values.kind = kindsOf(shape).indexOf(row[0])
  rowFields(shape, row[0]).forEach((field, n) => (values[field] ??= row[n + 1] as number))
  return values
}

export const fieldName = ({ keying }: RowShape, field: Field): string =>
  keying.fields.find((one) => one.field === field)?.name ?? ''

export const setterOf = ({ keying }: RowShape, field: Field) =>
  keying.fields.find((one) => one.field === field)?.set ?? null
