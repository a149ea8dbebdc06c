import { dequal } from 'dequal/lite'
import { own } from '#core/base'
import {
  shownText,
  formatDisplay,
  type Change,
  highestValue,
  type SetValue,
  TABLE_NAMES,
  type Rig,
  type TableName,
  type Tables,
} from '#core/rig'

/** A value short enough to be said; null where there is none; `other` for what is not one number, word or yes. */
export type Shown = string | number | boolean | null | { readonly kind: 'other' }

/** A field that differs, by its name in the row. */
export interface FieldDifference {
  readonly field: string
  readonly before: Shown
  readonly after: Shown
  /** Of a list of values of controls those that differ, as the device shows them; null where there is none. */
  readonly parts: readonly {
    readonly name: string
    readonly before: string | null
    readonly after: string | null
  }[]
}

/** One row that is not what it was. */
export interface RowDifference {
  readonly table: TableName
  readonly id: string
  /** What the row is called: by its own name, or by its place. */
  readonly name: string
  readonly kind: 'made' | 'removed' | 'changed'
  /** Of a row that was changed. */
  readonly fields: readonly FieldDifference[]
}

const LONGEST = 80

const shown = (value: unknown): Shown =>
  value === undefined || value === null
    ? null
    : typeof value === 'string'
      ? value.length > LONGEST
        ? { kind: 'other' }
        : value
      : typeof value === 'number' || typeof value === 'boolean'
        ? value
        : { kind: 'other' }

/** What a change did to its row; null where it did nothing. `rig` says what is near it, in whatever state it is known. */
export function rowDifference(rig: Rig, { table, id, before, after }: Change): RowDifference | null {
  if (dequal(before, after)) return null
  const row = (after ?? before)!
  return {
    table,
    id,
    name: rowName(rig, table, row),
    kind: before === null ? 'made' : after === null ? 'removed' : 'changed',
    fields: before && after ? fieldDifferences(rig, before, after) : [],
  }
}

function fieldDifferences(rig: Rig, before: object, after: object): FieldDifference[] {
  const [left, right] = [new Map(Object.entries(before)), new Map(Object.entries(after))]
  return [...new Set([...left.keys(), ...right.keys()])].flatMap((field): FieldDifference[] => {
    const [was, is] = [left.get(field) as unknown, right.get(field) as unknown]
    return dequal(was, is)
      ? []
      : [{ field, before: shown(was), after: shown(is), parts: valueParts(rig, was, is) }]
  })
}

const isValues = (value: unknown): value is readonly SetValue[] =>
  Array.isArray(value) &&
  value.every(
    (one: unknown) => typeof one === 'object' && one !== null && 'controlId' in one && 'value' in one,
  )

function valueParts(rig: Rig, was: unknown, is: unknown): FieldDifference['parts'] {
  if (!isValues(was) || !isValues(is)) return []
  return [...new Set([...was, ...is].map(({ controlId }) => controlId))].flatMap((id) => {
    const control = own(rig.controls, id)
    const text = (values: readonly SetValue[]): string | null => {
      const value = values.find(({ controlId }) => controlId === id)?.value
      if (value === undefined) return null
      return control ? shownText(control.reading, value, highestValue(control.address)) : String(value)
    }
    const [before, after] = [text(was), text(is)]
    return before === after ? [] : [{ name: control?.name ?? '', before, after }]
  })
}

/** Every row in which two rigs differ, table by table. */
export function rowDifferences(before: Rig, after: Rig): RowDifference[] {
  return TABLE_NAMES.flatMap((table) => {
    if (before[table] === after[table]) return []
    const [left, right] = [rowsOf(before, table), rowsOf(after, table)]
    return [...new Set([...Object.keys(left), ...Object.keys(right)])].flatMap((id): RowDifference[] => {
      const [was, is] = [own(left, id) ?? null, own(right, id) ?? null]
      if (was === is) return []
      const one = rowDifference(is ? after : before, {
        table,
        id,
        before: was,
        after: is,
      } as unknown as Change)
      return one ? [one] : []
    })
  })
}

const rowsOf = (rig: Rig, table: TableName) => rig[table] as { readonly [id: string]: Tables[TableName] }

type Names = { readonly [Table in TableName]: (row: Tables[Table], rig: Rig) => string }

const names: Names = {
  about: ({ name }) => name,
  controllers: ({ name }) => name,
  devices: ({ name }) => name,
  controls: ({ section, name, deviceId }, rig) =>
    ofDevice(rig, deviceId, [section, name].filter(Boolean).join(' ')),
  presets: ({ index, name, deviceId }, rig) => {
    const device = own(rig.devices, deviceId)
    const display = device ? formatDisplay(device.numbering, index) : String(index)
    return ofDevice(rig, deviceId, [display, name].filter(Boolean).join(' '))
  },
  pairs: ({ name, deviceId }, rig) => ofDevice(rig, deviceId, name),
  sounds: ({ name }) => name,
  macros: ({ name }) => name,
  songs: ({ name }) => name,
  parts: ({ name, songId, soundId }, rig) =>
    [own(rig.songs, songId)?.name ?? '', name || (own(rig.sounds, soundId ?? '')?.name ?? '')]
      .filter(Boolean)
      .join(': '),
  shows: ({ name }) => name,
  banks: ({ name, index }, rig) => name || `${index + (firstOf(rig) ?? 0)}`,
  switches: ({ bankId, number, jack, layer }, rig) => {
    const bank = own(rig.banks, bankId)
    const words = [
      ...(bank ? [names.banks(bank, rig)] : []),
      [jack, number].filter((one) => one !== '').join(' '),
      ...(layer === 'shift' ? ['shift'] : []),
    ]
    return words.join(', ')
  },
  pedals: ({ name }) => name,
  cables: ({ from, to }, rig) => `${boxName(rig, from)} – ${boxName(rig, to)}`,
  marks: ({ said }) => tickedBox(said),
  runs: ({ name }) => name,
  rides: ({ name }) => name,
  practices: ({ on }) => on,
  nevers: () => '',
  keyIns: () => '',
  dumps: ({ name }) => name,
  notes: ({ text }) => (text.length > 60 ? `${text.slice(0, 60).replace(/\p{Surrogate}$/u, '')}…` : text),
}

/** The box a ticked line is about, as the line said it. */
function tickedBox(said: string): string {
  try {
    const task: unknown = JSON.parse(said)
    const name = (field: string): unknown =>
      typeof task === 'object' && task !== null ? Reflect.get(task, field) : undefined
    const found = name('box') ?? name('device') ?? name('pedal') ?? name('from')
    return typeof found === 'string' ? found : ''
  } catch (error) {
    if (error instanceof SyntaxError) return ''
    throw error
  }
}

const firstOf = (rig: Rig): number | undefined => Object.values(rig.controllers)[0]?.firstBank

const ofDevice = (rig: Rig, id: string, name: string): string =>
  [own(rig.devices, id)?.name ?? '', name].filter(Boolean).join(', ')

const boxName = (
  rig: Rig,
  { table, id }: { readonly table: 'controllers' | 'devices'; readonly id: string },
) => own<{ readonly name: string }>(rig[table], id)?.name ?? '?'

/** What a player calls a row. Empty where it has no name of its own. */
const rowName = <Table extends TableName>(rig: Rig, table: Table, row: Tables[Table]): string =>
  names[table](row, rig)
