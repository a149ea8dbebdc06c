import { assertNever } from '#core/base'
import type { Field } from '#core/rig'
import { capacityOf, type Place } from './keyPlaces'
import { switchLists, type Content, type List, type ListId } from './content'
import { NO_ENTRY, turned, type Entry } from './entering'
import { domainOf, fieldsInOrder, rowFields, setterOf, type FieldAt, type Row, type RowShape } from './rows'
import type { Domain, Press } from './setting'
import type { Box } from './ways'

/** A place that is open, with what was done to it. */
export interface Open {
  readonly place: Place
  readonly lines: ReadonlyMap<string, Line>
  readonly rows: readonly { readonly at: string; readonly kind: Row[0] }[]
  readonly row: number
  /** Null while no row is opened. */
  readonly field: number | null
  readonly entry: Entry
}

/** A row while it is open: what each field holds, whether its kind has it or not; of letters all. */
interface Line {
  readonly kind: Row[0]
  readonly held: { readonly [One in Field]?: number }
  readonly letters: readonly number[]
}

export function opened(box: Box, place: Place, content: Content): Open {
  const lines = new Map<string, Line>()
  const put = (at: string, row: Row) => lines.set(at, lineOf(box.shape, row))
  if (content.settings) put('settings', content.settings)
  for (const { id, lamp, rows } of content.lists) {
    if (lamp) put(`${id}/lamp`, lamp)
    rows.forEach((row, n) => put(`${id}/${n}`, row))
  }
  if (content.name) put('name', content.name)
  const isEntered = box.shape.keying.reach.how === 'through'
  return {
    place,
    lines,
    rows: rowsNow(box, place, lines),
    row: 0,
    field: isEntered ? 0 : null,
    entry: NO_ENTRY,
  }
}

function lineOf(shape: RowShape, row: Row): Line {
  const [kind, ...values] = row
  const held: { [One in Field]?: number } = {}
  if (kind !== 'name') rowFields(shape, kind).forEach((field, n) => (held[field] = values[n]!))
  return { kind, held, letters: kind === 'name' ? values : [] }
}

const lineAt = (lines: Open['lines'], at: string): Line =>
  lines.get(at) ?? { kind: at.endsWith('/lamp') ? 'lamp' : 'end', held: {}, letters: [] }

/** A line as the row it now is. */
function rowOf(shape: RowShape, { kind, held, letters }: Line): Row {
  if (kind === 'name') return ['name', ...letters]
  return [
    kind,
    ...rowFields(shape, kind).map((field) =>
      Math.min(held[field] ?? 0, domainOf(shape, kind, field).size - 1),
    ),
  ]
}

/** Rows that are there now: lists as many as there are positions, each up to its end. */
function rowsNow(box: Box, place: Place, lines: Open['lines']): Open['rows'] {
  const all: Open['rows'][number][] = []
  const put = (at: string) => all.push({ at, kind: lineAt(lines, at).kind })
  const isSwitch = place.kind === 'switch'
  if (isSwitch) put('settings')
  for (const id of listsNow(box, place, lines)) {
    if (id.startsWith('p')) put(`${id}/lamp`)
    for (let n = 0; n < capacityOf(place, box.shape.controller); n++) {
      put(`${id}/${n}`)
      if (lineAt(lines, `${id}/${n}`).kind === 'end') break
    }
  }
  if (lines.has('name')) put('name')
  return all
}

const listsNow = ({ shape }: Box, place: Place, lines: Open['lines']): readonly ListId[] =>
  place.kind === 'switch' ? switchLists(shape, (lineAt(lines, 'settings').held.positions ?? 0) + 1) : ['kept']

/** What is stored of what is open. */
export function contentOf(box: Box, { place, lines }: Open): Content {
  const row = (at: string): Row => rowOf(box.shape, lineAt(lines, at))
  const lists = listsNow(box, place, lines).map((id): List => {
    const rows: Row[] = []
    for (let n = 0; n < capacityOf(place, box.shape.controller); n++) {
      const one = row(`${id}/${n}`)
      if (one[0] === 'end') break
      rows.push(one)
    }
    return { id, lamp: id.startsWith('p') ? row(`${id}/lamp`) : null, rows }
  })
  return {
    settings: place.kind === 'switch' ? row('settings') : null,
    lists,
    name: lines.has('name') ? row('name') : null,
  }
}

/** The field at hand; null while no row is opened. */
export function fieldNow({ shape }: Box, { rows, row, field }: Open): FieldAt | null {
  const here = rows[row]
  return here && field !== null ? (fieldsInOrder(shape, here.kind)[field] ?? null) : null
}

export function inOpen(box: Box, open: Open, press: Press): Open | null {
  const { shape } = box
  const { reach } = shape.keying
  const { rows, row, field } = open
  const count = (at: number) => fieldsInOrder(shape, rows[at]!.kind).length
  const move = (toRow: number, toField: number | null): Open => ({
    ...open,
    row: toRow,
    field: toField,
    entry: NO_ENTRY,
  })
  // Pointing at a field, wherever one is.
  if (reach.how === 'direct' && press.key === 'pick' && press.at?.startsWith('field:')) {
    const [, at, nth] = press.at.split(':')
    const n = rows.findIndex((one) => one.at === at)
    return n >= 0 && Number(nth) < count(n) ? move(n, Number(nth)) : null
  }
  const set = settled(box, open, press)
  if (set) return set
  switch (reach.how) {
    case 'through': {
      if (field === null) return null
      if (press.key === reach.back) return fieldBefore(box, open)
      return press.key === reach.next ? nextField(box, open) : null
    }
    case 'enter':
      if (field === null) {
        if (press.key === reach.down) return move(Math.min(rows.length - 1, row + 1), null)
        if (press.key === reach.up) return move(Math.max(0, row - 1), null)
        return press.key === reach.enter ? move(row, 0) : null
      }
      if (press.key === reach.back) return move(row, null)
      return press.key === reach.next ? move(row, Math.min(count(row) - 1, field + 1)) : null
    case 'direct':
      return press.key === reach.next && field !== null
        ? move(row, Math.min(count(row) - 1, field + 1))
        : null
    default:
      return assertNever(reach)
  }
}

/** The next field: of this row, else the first of the next one that has any, at last the first of all. */
function nextField(box: Box, open: Open): Open {
  const count = (at: number) => fieldsInOrder(box.shape, open.rows[at]!.kind).length
  let [row, field] = [open.row, (open.field ?? -1) + 1]
  for (let n = 0; field >= count(row) && n <= open.rows.length; n++) {
    row = (row + 1) % open.rows.length
    field = 0
  }
  return { ...open, row, field, entry: NO_ENTRY }
}

/** The field before; at the first it stays. */
function fieldBefore(box: Box, open: Open): Open {
  const count = (at: number) => fieldsInOrder(box.shape, open.rows[at]!.kind).length
  let [row, field] = [open.row, (open.field ?? 0) - 1]
  while (field < 0 && row > 0) field = count(--row) - 1
  return field < 0 ? open : { ...open, row, field, entry: NO_ENTRY }
}

/** The field at hand set by a press; null where the key is none of its setter's. */
function settled(box: Box, open: Open, press: Press): Open | null {
  const { shape } = box
  const now = fieldNow(box, open)
  const set = now && setterOf(shape, now.field)
  if (!now || !set) return null
  const { at } = open.rows[open.row]!
  const line = lineAt(open.lines, at)
  const domain = domainOf(shape, line.kind, now.field)
  const value = heldIn(shape, line, now, domain)
  const after = turned(set, domain, value, open.entry, press, 'value:')
  if (!after) return null
  const next = { ...open, entry: after.entry }
  const changed = after.value === value ? next : withValue(box, next, at, line, now, after.value)
  if (set.how !== 'type') return changed
  const reach = shape.keying.reach.how
  const count = fieldsInOrder(shape, line.kind).length
  // A letter typed, the next field is at hand.
  return reach === 'through'
    ? nextField(box, changed)
    : { ...changed, field: Math.min(count - 1, (open.field ?? 0) + 1), entry: NO_ENTRY }
}

function heldIn(shape: RowShape, line: Line, { field, at }: FieldAt, domain: Domain): number {
  if (field === 'kind') return shape.keying.kinds.findIndex(({ kind }) => kind === line.kind)
  if (field === 'letter') return line.letters[at - 1] ?? 0
  return Math.min(line.held[field] ?? 0, domain.size - 1)
}

function withValue(
  box: Box,
  open: Open,
  at: string,
  line: Line,
  { field, at: nth }: FieldAt,
  value: number,
): Open {
  const kind = field === 'kind' ? box.shape.keying.kinds[value]!.kind : line.kind
  const after: Line =
    field === 'letter'
      ? { ...line, letters: line.letters.map((one, n) => (n === nth - 1 ? value : one)) }
      : { ...line, kind, held: field === 'kind' ? line.held : { ...line.held, [field]: value } }
  const lines = new Map(open.lines).set(at, after)
  const isOther = field === 'kind' || field === 'positions'
  return { ...open, lines, rows: isOther ? rowsNow(box, open.place, lines) : open.rows }
}

/** The rows of what is open, as they are now. */
export const openRows = (
  { shape }: Box,
  { rows, lines }: Open,
): { readonly at: string; readonly row: Row }[] =>
  rows.map(({ at }) => ({ at, row: rowOf(shape, lineAt(lines, at)) }))

/** One row of what is open, as it is now. */
export const rowAt = ({ shape }: Box, { lines }: Open, at: string): Row => rowOf(shape, lineAt(lines, at))
