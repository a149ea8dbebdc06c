import { assertNever } from '#core/base'
import { LAYERS, type Field, type Move, type Setter } from '#core/rig'
import { KEPT_LISTS, capacityOf, emptyAt, placeName, type Place } from './keyPlaces'
import { switchLists, type Content, type List, type ListId } from './content'
import {
  domainOf,
  fieldsInOrder,
  LETTERS,
  rowFields,
  setterOf,
  type FieldAt,
  type Row,
  type RowShape,
} from './rows'
import { digitsOf, type Domain, type Press } from './setting'
import { shownText } from './showing'
import { choiceDomain, choicesOf, NOWHERE, opens, switchKey, type Box, type Choices } from './ways'

/** A simulated front panel: what the controller holds, and where its player is in it. Written on its own: no sheet is asked. */
export interface Panel {
  /** What it holds, by the name of the place; nothing was keyed into a place that is not there. */
  readonly stored: ReadonlyMap<string, Content>
  /** What waits to be sent, where all is sent at the end. */
  readonly drafts: ReadonlyMap<string, Content>
  /** The bank and layer it plays in. */
  readonly chosen: Choices
  readonly doing: Doing
  /** Presses so far. */
  readonly presses: number
}

type Doing =
  | { readonly kind: 'play' }
  | {
      readonly kind: 'way'
      readonly to: 'switch' | 'kept' | 'copy'
      readonly at: number
      readonly chosen: Choices
      readonly entry: Entry
      /** Whose copy it will be, or who will be a copy. */
      readonly open: Open | null
    }
  | { readonly kind: 'open'; readonly open: Open }
  /** Keys of several presses, of which some are done. */
  | {
      readonly kind: 'keys'
      readonly for: 'save' | 'clear' | 'cancel' | 'copy'
      readonly done: number
      readonly open: Open | null
    }

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

/** What was typed into a field, and where its cursor stands. */
interface Entry {
  readonly typed: string
  readonly digits: readonly number[] | null
  readonly cursor: number
}

const NO_ENTRY: Entry = { typed: '', digits: null, cursor: 0 }

export const startPanel = (stored: ReadonlyMap<string, Content> = new Map()): Panel => ({
  stored,
  drafts: new Map(),
  chosen: NOWHERE,
  doing: { kind: 'play' },
  presses: 0,
})

/** One press. A key that means nothing there does nothing; it is a press all the same. */
export function pressPanel(box: Box, panel: Panel, press: Press): Panel {
  const counted = { ...panel, presses: panel.presses + 1 }
  return answered(box, counted, press) ?? counted
}

function answered(box: Box, panel: Panel, press: Press): Panel | null {
  const { keying } = box.shape
  const { doing } = panel
  switch (doing.kind) {
    case 'play':
      return begun(box, panel, press)
    case 'way':
      // On the way to a switch it still plays: another way can be begun.
      return onWay(box, panel, doing, press) ?? (doing.to === 'copy' ? null : begun(box, panel, press))
    case 'keys':
      return keysOn(box, panel, doing, press)
    case 'open': {
      // A key of its own first, then what is at hand.
      const { save } = keying
      const own = keysOn(box, panel, { kind: 'keys', for: 'save', done: 0, open: doing.open }, press)
      if (own) return own
      const moved = inOpen(box, doing.open, press)
      if (moved) return { ...panel, doing: { kind: 'open', open: moved } }
      // Where all is sent at the end, another place is opened straight away.
      return save.when === 'end' ? begun(box, keptDraft(box, panel, doing.open), press) : null
    }
    default:
      return assertNever(doing)
  }
}

/** Whether a press is the one asked for: held at least as long. */
const isPress = (press: Press, asked: { readonly key: string; readonly holdMs: number }): boolean =>
  press.key === asked.key && press.runs === undefined && (press.holdMs ?? 0) >= asked.holdMs

function keysOn(box: Box, panel: Panel, doing: Extract<Doing, { kind: 'keys' }>, press: Press): Panel | null {
  const { keying } = box.shape
  const keysFor = {
    save: keying.save.keys,
    clear: keying.clear,
    cancel: keying.cancel,
    copy: keying.copy?.keys ?? [],
  }
  // Of two that begin with one key the one it is held longest for is meant.
  const all = (['save', 'clear', 'cancel', 'copy'] as const).filter(
    (name) => keysFor[name][0] && isPress(press, keysFor[name][0]),
  )
  const name =
    doing.done > 0 ? doing.for : all.sort((a, b) => keysFor[b][0]!.holdMs - keysFor[a][0]!.holdMs)[0]
  if (!name) return null
  const keys = keysFor[name]
  if (!isPress(press, keys[doing.done]!))
    return doing.open && { ...panel, doing: { kind: 'open', open: doing.open } }
  if (doing.done + 1 < keys.length) return { ...panel, doing: { ...doing, for: name, done: doing.done + 1 } }
  return done(box, panel, name, doing.open)
}

function done(
  box: Box,
  panel: Panel,
  name: 'save' | 'clear' | 'cancel' | 'copy',
  open: Open | null,
): Panel | null {
  const { keying } = box.shape
  switch (name) {
    case 'save': {
      if (keying.save.when === 'end') {
        const all = open ? keptDraft(box, panel, open) : panel
        return { ...closed(all, open), stored: new Map([...panel.stored, ...all.drafts]), drafts: new Map() }
      }
      if (!open) return null
      const stored = new Map(panel.stored).set(placeName(open.place), contentOf(box, open))
      return { ...closed(panel, open), stored }
    }
    case 'cancel':
      return closed(panel, open)
    case 'clear':
      return (
        open && {
          ...panel,
          doing: { kind: 'open', open: opened(box, open.place, emptyAt(box.shape, open.place)) },
        }
      )
    case 'copy':
      return (
        open && {
          ...panel,
          doing: {
            kind: 'way',
            to: 'copy',
            at: 0,
            chosen: copyStart(keying.copy?.choose ?? [], open.place),
            entry: NO_ENTRY,
            open,
          },
        }
      )
  }
}

/** Back to playing, in the bank of what was open. */
const closed = (panel: Panel, open: Open | null): Panel => ({
  ...panel,
  chosen: open?.place.kind === 'switch' ? choicesOf(open.place) : panel.chosen,
  doing: { kind: 'play' },
})

/** What is copied is looked for from where one is, or from the first. */
function copyStart(moves: readonly Move[], place: Place): Choices {
  const chosen = { ...choicesOf(place) }
  for (const move of moves) if (move.do === 'choose' && move.from === 'start') chosen[move.what] = 0
  return chosen
}

function keptDraft(box: Box, panel: Panel, open: Open): Panel {
  return {
    ...closed(panel, open),
    drafts: new Map(panel.drafts).set(placeName(open.place), contentOf(box, open)),
  }
}

/** The way to a switch or to what is kept, whichever the key belongs to. */
function begun(box: Box, panel: Panel, press: Press): Panel | null {
  const { keying } = box.shape
  for (const to of ['kept', 'switch'] as const) {
    const moves = to === 'switch' ? keying.toSwitch : keying.toKept
    const chosen = { ...NOWHERE }
    for (const move of moves)
      if (move.do === 'choose' && move.from === 'here') chosen[move.what] = panel.chosen[move.what]
    const way = onWay(box, panel, { kind: 'way', to, at: 0, chosen, entry: NO_ENTRY, open: null }, press)
    if (way) return way
  }
  return keying.save.when === 'end'
    ? keysOn(box, panel, { kind: 'keys', for: 'save', done: 0, open: null }, press)
    : null
}

function onWay(box: Box, panel: Panel, way: Extract<Doing, { kind: 'way' }>, press: Press): Panel | null {
  const { keying } = box.shape
  const moves =
    way.to === 'switch' ? keying.toSwitch : way.to === 'kept' ? keying.toKept : (keying.copy?.choose ?? [])
  for (let at = way.at; at < moves.length; at++) {
    const move = moves[at]!
    const after = tried(box, move, at === way.at ? way : { ...way, entry: NO_ENTRY }, press)
    if (after) {
      const next = { ...way, ...after, at: after.isDone ? at + 1 : at }
      if (after.isDone && next.at === moves.length) return arrived(box, panel, next)
      const chosen =
        way.to === 'copy' || move.do === 'press'
          ? panel.chosen
          : { ...panel.chosen, ...hereOf(keying.toSwitch, next.chosen, way.to) }
      return {
        ...panel,
        chosen,
        doing: {
          kind: 'way',
          to: way.to,
          at: next.at,
          chosen: next.chosen,
          entry: next.entry,
          open: way.open,
        },
      }
    }
    // A press that is asked for and not made holds the way up; a choice may stay what it is.
    if (move.do === 'press' || isForced(move)) break
  }
  // Another press leaves the way as it is; from one not yet begun it is none.
  return null
}

/** Banks turned while playing stay turned. */
const hereOf = (moves: readonly Move[], chosen: Choices, to: 'switch' | 'kept'): Partial<Choices> =>
  to !== 'switch'
    ? {}
    : Object.fromEntries(
        moves.flatMap((move) =>
          move.do === 'choose' && move.from === 'here' && !opens(move.what)
            ? [[move.what, chosen[move.what]]]
            : [],
        ),
      )

/** Something that is stepped on or pointed at to open it cannot be left out. */
const isForced = ({ what, set }: Extract<Move, { do: 'choose' }>): boolean =>
  opens(what) && (set.how === 'itself' || set.how === 'pick')

function tried(
  box: Box,
  move: Move,
  { chosen, entry }: { readonly chosen: Choices; readonly entry: Entry },
  press: Press,
): { chosen: Choices; entry: Entry; isDone: boolean } | null {
  if (move.do === 'press') return isPress(press, move) ? { chosen, entry: NO_ENTRY, isDone: true } : null
  const { what, set } = move
  if (set.how === 'itself') {
    const place = box.places.findIndex((one) => switchKey(one) === press.key)
    return place < 0 || (press.holdMs ?? 0) < set.holdMs
      ? null
      : { chosen: { ...chosen, [what]: place }, entry: NO_ENTRY, isDone: true }
  }
  const domain = choiceDomain(box, what, chosen.list)
  const after = turned(set, domain, Math.min(chosen[what], domain.size - 1), entry, press, `${what}:`)
  return (
    after && {
      chosen: { ...chosen, [what]: after.value },
      entry: after.entry,
      isDone: set.how === 'pick' && opens(what),
    }
  )
}

/** What came of a press for one value; null where the key is none of its setter's. */
function turned(
  set: Setter,
  domain: Domain,
  value: number,
  entry: Entry,
  press: Press,
  prefix: string,
): { value: number; entry: Entry } | null {
  const { size, first } = domain
  switch (set.how) {
    case 'steps': {
      const sign = press.key === set.up ? 1 : press.key === set.down ? -1 : 0
      if (sign === 0) return null
      // One key for both ways goes up.
      if (press.runs !== undefined) {
        if (!set.fast || (press.holdMs ?? 0) < set.fast.afterMs) return null
        let to = value
        for (let n = 0; n < press.runs && to + sign * set.fast.by >= 0 && to + sign * set.fast.by < size; n++)
          to += sign * set.fast.by
        return { value: to, entry: NO_ENTRY }
      }
      const to = value + sign
      if (to >= 0 && to < size) return { value: to, entry: NO_ENTRY }
      return { value: set.wraps ? (to + size) % size : value, entry: NO_ENTRY }
    }
    case 'digits': {
      const digit = /^d(\d)$/.exec(press.key)?.[1]
      if (digit !== undefined) {
        const typed = `${entry.typed}${digit}`.slice(-6)
        const meant = Number(typed) - first
        const isIn = meant >= 0 && meant < size
        return { value: set.enter === null && isIn ? meant : value, entry: { ...entry, typed } }
      }
      if (set.enter === null || press.key !== set.enter || entry.typed === '') return null
      const meant = Number(entry.typed) - first
      return { value: meant >= 0 && meant < size ? meant : value, entry: NO_ENTRY }
    }
    case 'places': {
      const all = entry.digits ?? digitsOf(value, domain)
      const keys = set.keys.slice(-all.length)
      const at = keys.indexOf(press.key)
      if (at < 0) return null
      return digitsAfter(domain, value, entry, all, all.length - keys.length + at, 1)
    }
    case 'cursor': {
      const all = entry.digits ?? digitsOf(value, domain)
      const moves = press.key === set.right ? 1 : press.key === set.left ? -1 : 0
      if (moves !== 0)
        return {
          value,
          entry: { ...entry, cursor: Math.max(0, Math.min(all.length - 1, entry.cursor + moves)) },
        }
      const turns = press.key === set.up ? 1 : press.key === set.down ? -1 : 0
      return turns === 0 ? null : digitsAfter(domain, value, entry, all, entry.cursor, turns)
    }
    case 'pick': {
      if (press.key !== 'pick' || !press.at?.startsWith(prefix)) return null
      const to = Number(press.at.slice(prefix.length))
      return to >= 0 && to < size ? { value: to, entry: NO_ENTRY } : null
    }
    case 'type': {
      if (press.key !== 'type') return null
      const to = LETTERS.indexOf(press.at ?? '')
      return to < 0 ? null : { value: to, entry: NO_ENTRY }
    }
    case 'itself':
      return null
    default:
      return assertNever(set)
  }
}

/** A digit turned, 9 to 0: while the number is none there is, the value stays what it was. */
function digitsAfter(
  { size, first }: Domain,
  value: number,
  entry: Entry,
  all: readonly number[],
  at: number,
  by: number,
): { value: number; entry: Entry } {
  const digits = all.map((digit, n) => (n === at ? (digit + by + 10) % 10 : digit))
  const meant = Number(digits.join('')) - first
  return { value: meant >= 0 && meant < size ? meant : value, entry: { ...entry, digits } }
}

/** The end of a way: a place is open, or a copy of one. */
function arrived(
  box: Box,
  panel: Panel,
  { to, chosen, open }: Extract<Doing, { kind: 'way' }>,
): Panel | null {
  const held = (place: Place): Content =>
    panel.drafts.get(placeName(place)) ?? panel.stored.get(placeName(place)) ?? emptyAt(box.shape, place)
  if (to !== 'copy' || !open) {
    const place = placeAt(box, chosen, to === 'kept')
    return {
      ...panel,
      chosen: place.kind === 'switch' ? choicesOf(place) : panel.chosen,
      doing: { kind: 'open', open: opened(box, place, held(place)) },
    }
  }
  const other = placeAt(box, chosen, false)
  if (box.shape.keying.copy?.way === 'from')
    return { ...panel, doing: { kind: 'open', open: opened(box, open.place, held(other)) } }
  return {
    ...panel,
    chosen: choicesOf(other),
    doing: { kind: 'open', open: opened(box, other, contentOf(box, open)) },
  }
}

function placeAt({ places }: Box, chosen: Choices, isKept: boolean): Place {
  if (isKept) return { kind: 'kept', list: KEPT_LISTS[chosen.list]!, count: chosen.count }
  const { jack, number } = places[chosen.place]!
  const layer = LAYERS[chosen.layer]!
  return { kind: 'switch', bank: chosen.bank, layer, place: chosen.place, jack, number }
}

function opened(box: Box, place: Place, content: Content): Open {
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
function contentOf(box: Box, { place, lines }: Open): Content {
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

function inOpen(box: Box, open: Open, press: Press): Open | null {
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

/** What the display shows; empty while nothing is open. */
export function panelShows(box: Box, { doing }: Panel): string {
  if (doing.kind !== 'open') return ''
  const { open } = doing
  const now = fieldNow(box, open)
  const here = open.rows[open.row]
  if (!here) return ''
  const row = rowOf(box.shape, lineAt(open.lines, here.at))
  return now ? shownText(box.shape, row, now.field, now.at) : ''
}
