import { own, accept, refuse, type Result } from '#core/base'
import {
  heldContacts,
  valueBehindNumber,
  shownText,
  valueFor,
  findPreset,
  formatDisplay,
  parseDisplay,
  perTables,
  type Rig,
  highestValue,
  type Control,
  type Device,
  type SetValue,
  type Cell,
} from '#core/rig'
import { canBeSet } from './want'

/** A cell as typed: a preset by its index, since the device may have no row there yet. */
export type TypedCell =
  | Exclude<Cell, { kind: 'preset' }>
  | { readonly kind: 'preset'; readonly index: number; readonly values: readonly SetValue[] }

/** Why a typed cell is not taken. */
export type CellRefusal =
  /** Nothing it can mean on this device; `near` are things that begin like it. */
  | { readonly code: 'notUnderstood'; readonly text: string; readonly near: readonly string[] }
  /** Several things it can mean. */
  | { readonly code: 'ambiguous'; readonly text: string; readonly meanings: readonly string[] }
  /** A control was named, and what stands behind it is no value of it. */
  | { readonly code: 'badValue'; readonly control: string; readonly text: string; readonly allowed: string }

/** The names of a device's controls, each different from all others: "Mix", "Tape Wow", "CC 21". */
const labels = perTables(['controls'], (rig: Rig): ReadonlyMap<string, ReadonlyMap<string, Control>> => {
  const all = new Map<string, Control[]>()
  for (const control of Object.values(rig.controls)) {
    const ours = all.get(control.deviceId)
    if (ours) ours.push(control)
    else all.set(control.deviceId, [control])
  }
  return new Map(
    [...all].map(([deviceId, controls]) => [
      deviceId,
      new Map(labelled(controls.sort((a, b) => a.order - b.order))),
    ]),
  )
})

function labelled(controls: readonly Control[]): [string, Control][] {
  const ways: ((control: Control) => string)[] = [
    ({ name }) => name,
    ({ section, name }) => `${section} ${name}`.trim(),
    ({ address }) => (address.kind === 'cc' ? `CC ${address.number}` : `NRPN ${address.parameter}`),
  ]
  const counts = ways.map((way) => {
    const seen = new Map<string, number>()
    for (const control of controls) {
      const key = way(control).toLowerCase()
      seen.set(key, (seen.get(key) ?? 0) + 1)
    }
    return seen
  })
  return controls.map((control) => {
    const n = ways.findIndex((way, at) => counts[at]!.get(way(control).toLowerCase()) === 1)
    const label = n < 0 ? `${ways[2]!(control)} ${control.id}` : ways[n]!(control)
    // One space between words, as typed text is read.
    return [label.replace(/\s+/g, ' ').trim(), control]
  })
}

const labelsOf = (rig: Rig, device: Device): ReadonlyMap<string, Control> =>
  labels(rig).get(device.id) ?? new Map()

const labelOf = (rig: Rig, device: Device, controlId: string): string =>
  [...labelsOf(rig, device)].find(([, { id }]) => id === controlId)?.[0] ?? controlId

/** "Mix 35 %". */
export function setText(rig: Rig, device: Device, { controlId, value }: SetValue): string {
  const control = own(rig.controls, controlId)
  if (!control) return 'a control that is gone'
  const highest = highestValue(control.address)
  return `${labelOf(rig, device, controlId)} ${shownText(control.reading, Math.min(value, highest), highest)}`
}

/** "B4 Dotted eighth". */
export const presetText = (rig: Rig, device: Device, index: number): string =>
  `${formatDisplay(device.numbering, index)} ${findPreset(rig, device.id, index)?.name ?? ''}`.trim()

/** A cell in one line, in the device's own terms; {@link parseCell} reads it back. */
export function formatCell(rig: Rig, device: Device, cell: Cell | TypedCell): string {
  switch (cell.kind) {
    case 'preset': {
      const index = 'index' in cell ? cell.index : own(rig.presets, cell.presetId)?.index
      const first = index === undefined ? 'a preset that is gone' : presetText(rig, device, index)
      return [first, ...cell.values.map((one) => setText(rig, device, one))].join(' + ')
    }
    case 'values':
      return cell.values.map((one) => setText(rig, device, one)).join(' + ')
    case 'off':
    case 'rest':
    case 'leave':
      return cell.kind
    case 'foot':
      return cell.does === '' ? 'by foot' : `by foot: ${cell.does}`
    case 'contacts':
      return contactsText(rig, device, cell.closes)
    case 'pair':
      return `pair ${own(rig.pairs, cell.pairId)?.name ?? 'that is gone'}: ${cell.state.toUpperCase()}`
  }
}

function contactsText(rig: Rig, device: Device, closes: readonly string[]): string {
  const all = heldContacts(rig, device)
  if (closes.length === 0) return 'open'
  if (all.length === 1) return 'closed'
  return `closed: ${closes.map((id) => all.find((one) => one.id === id)?.name ?? id).join(' + ')}`
}

/** A way to read text, the surest first: by the device's own number, by whole names, by beginnings of words. */
interface Meaning {
  readonly cell: TypedCell
  readonly sureness: number
}

/**
 * Reads what a player types into a cell: "b4", "dot", "b4 mix 30", "mix 35, repeats 40", "off", "rest", "leave",
 * "by foot: step on it", "closed", "pair shout: b". Upper and lower case are alike. Refused when it can mean
 * nothing, or several things that are equally near.
 */
export function parseCell(rig: Rig, device: Device, typed: string): Result<TypedCell, CellRefusal> {
  const text = typed.replace(/\s+/g, ' ').trim()
  const lower = text.toLowerCase()
  if (lower === 'off' || lower === 'rest' || lower === 'leave') return accept({ kind: lower })
  if (lower === 'leave alone') return accept({ kind: 'leave' })
  const foot = /^(?:by )?foot(?:\s*:\s*(.*))?$/i.exec(text)
  if (foot) return accept({ kind: 'foot', does: foot[1] ?? '' })
  const special = contactsMeant(rig, device, lower) ?? pairMeant(rig, device, lower)
  if (special) return accept(special)
  const meanings = [...meaningsOf(rig, device, text)]
  const surest = Math.max(...meanings.map(({ sureness }) => sureness))
  const best = new Map(
    meanings
      .filter(({ sureness }) => sureness === surest)
      .map(({ cell }) => [formatCell(rig, device, cell), cell]),
  )
  const [only] = best.values()
  if (only && best.size === 1) return accept(only)
  if (best.size > 1) return refuse({ code: 'ambiguous', text, meanings: [...best.keys()].slice(0, 6) })
  return refuse(
    badValueIn(rig, device, text) ?? { code: 'notUnderstood', text, near: nearTo(rig, device, lower) },
  )
}

function contactsMeant(rig: Rig, device: Device, lower: string): TypedCell | null {
  const all = heldContacts(rig, device)
  if (all.length === 0) return null
  if (lower === 'open') return { kind: 'contacts', closes: [] }
  if (lower === 'closed' && all.length === 1) return { kind: 'contacts', closes: [all[0]!.id] }
  const named = /^closed\s*:\s*(.+)$/.exec(lower)?.[1]
  if (named === undefined) return null
  const closes: string[] = []
  // Names may hold the sign that stands between them: the longest that fits is taken each time.
  for (let rest = named; rest !== '';) {
    const found = all
      .filter(({ name }) => rest.startsWith(name.toLowerCase()))
      .sort((a, b) => b.name.length - a.name.length)[0]
    if (!found || closes.includes(found.id)) return null
    closes.push(found.id)
    rest = rest.slice(found.name.length).replace(/^\s*[+,;]?\s*/, '')
  }
  return { kind: 'contacts', closes: all.filter(({ id }) => closes.includes(id)).map(({ id }) => id) }
}

function pairMeant(rig: Rig, device: Device, lower: string): TypedCell | null {
  const found = /^pair\b\s*(.*?)\s*:?\s*\b([ab])$/.exec(lower)
  if (!found) return null
  const [, name, state] = found as unknown as [string, string, 'a' | 'b']
  const pairs = Object.values(rig.pairs).filter(({ deviceId }) => deviceId === device.id)
  const exact = pairs.filter((pair) => pair.name.toLowerCase().replace(/\s+/g, ' ') === name)
  const near = exact.length > 0 ? exact : pairs.filter((pair) => pair.name.toLowerCase().includes(name))
  return near.length === 1 ? { kind: 'pair', pairId: near[0]!.id, state } : null
}

/** How sure a part is: the device's own number, the whole name, the beginnings of its words. */
const EXACT = 3
const WHOLE = 2
const BEGINS = 1

/** A way to read the beginning of a text; `rest` is what stands behind it. */
interface Start<Value> {
  readonly value: Value
  readonly rest: string
  readonly sureness: number
  /** A control named by its number. */
  readonly byNumber?: boolean
}

function* meaningsOf(rig: Rig, device: Device, text: string): Generator<Meaning> {
  for (const { value: values, sureness } of settings(rig, device, text, 8))
    if (values.length > 0) yield { cell: { kind: 'values', values }, sureness }
  for (const { value: index, rest, sureness } of presetsAt(rig, device, text)) {
    if (rest === '') yield { cell: { kind: 'preset', index, values: [] }, sureness }
    else
      for (const behind of settings(rig, device, rest, 8))
        if (behind.value.length > 0)
          yield {
            cell: { kind: 'preset', index, values: behind.value },
            sureness: Math.min(sureness, behind.sureness),
          }
  }
}

const BETWEEN = /^(?:\s*[+;,]\s*|\s+|$)/

/** What stands behind a beginning, where that ends at a word's end; null in the middle of a word. */
function behind(text: string, length: number): string | null {
  const rest = text.slice(length)
  return BETWEEN.test(rest) ? rest.replace(BETWEEN, '') : null
}

/** Every preset a text may begin with. */
function* presetsAt(rig: Rig, device: Device, text: string): Generator<Start<number>> {
  const lower = text.toLowerCase()
  const named = Object.values(rig.presets).filter(
    ({ deviceId, name }) => deviceId === device.id && name !== '',
  )
  // "B4 Dotted eighth", as a cell says it: longer beginnings first, since one name may begin with another.
  const whole = named
    .map(({ index, name }) => ({
      index,
      full: presetText(rig, device, index).replace(/\s+/g, ' '),
      name: name.replace(/\s+/g, ' ').trim(),
    }))
    .sort((a, b) => b.full.length - a.full.length)
  for (const { index, full } of whole) {
    const rest = lower.startsWith(full.toLowerCase()) ? behind(text, full.length) : null
    if (rest !== null) {
      yield { value: index, rest, sureness: EXACT }
      return
    }
  }
  const words = text.split(' ')
  for (let n = 1; n <= words.length; n++) {
    const head = words.slice(0, n).join(' ')
    const rest = behind(text, head.length)
    const bare = head.replace(/[+;,]+$/, '')
    const display = rest === null ? null : parseDisplay(device.numbering, bare)
    if (display?.ok && rest !== null) {
      const after = rest.replace(/^[+;,]\s*/, '')
      // "12 Net loft" for what the display shows as "012 Net loft".
      const name = whole.find(({ index }) => index === display.value)?.name.toLowerCase()
      const named =
        name !== undefined && after.toLowerCase().startsWith(name) ? behind(after, name.length) : null
      yield { value: display.value, rest: named ?? after, sureness: EXACT }
    }
    if (rest === null) continue
    for (const { index, name } of whole) {
      const isWhole = name.toLowerCase() === bare.toLowerCase()
      if (isWhole || begins(bare, name)) yield { value: index, rest, sureness: isWhole ? WHOLE : BEGINS }
    }
  }
}

/** Whether every typed word begins a word of the name, each its own. */
function begins(typed: string, name: string): boolean {
  const left = wordsOf(name)
  return (
    wordsOf(typed).every((word) => {
      const at = left.findIndex((one) => one.startsWith(word))
      if (at >= 0) left.splice(at, 1)
      return at >= 0
    }) && wordsOf(typed).length > 0
  )
}

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}#%.-]+/u)
    .filter((word) => word !== '')

/** Every way to read a whole text as controls at values, one behind the other. */
function* settings(rig: Rig, device: Device, text: string, most: number): Generator<Start<SetValue[]>> {
  if (text === '') yield { value: [], rest: '', sureness: EXACT }
  if (text === '' || most === 0) return
  for (const { value: control, rest, sureness, byNumber = false } of controlsAt(rig, device, text))
    for (const { value, rest: after } of valuesAt(control, rest, byNumber))
      for (const others of settings(rig, device, after, most - 1))
        if (!others.value.some(({ controlId }) => controlId === control.id))
          yield {
            value: [{ controlId: control.id, value }, ...others.value],
            rest: '',
            sureness: Math.min(sureness, others.sureness),
          }
}

function* controlsAt(rig: Rig, device: Device, text: string): Generator<Start<Control>> {
  const lower = text.toLowerCase()
  const all = [...labelsOf(rig, device)].sort(([a], [b]) => b.length - a.length)
  for (const [label, control] of all) {
    const rest = lower.startsWith(`${label.toLowerCase()} `) ? text.slice(label.length + 1) : null
    if (rest !== null) {
      yield { value: control, rest, sureness: EXACT }
      return
    }
  }
  const byNumber = /^cc\s*#?(\d{1,3}) (.*)$/.exec(lower)
  if (byNumber)
    for (const [, control] of all)
      if (control.address.kind === 'cc' && control.address.number === Number(byNumber[1]))
        yield {
          value: control,
          rest: text.slice(text.length - byNumber[2]!.length),
          sureness: EXACT,
          byNumber: true,
        }
  const words = text.split(' ')
  for (let n = 1; n < words.length; n++) {
    const head = words.slice(0, n).join(' ')
    for (const [label, control] of all)
      if (begins(head, `${control.section} ${label}`))
        yield { value: control, rest: words.slice(n).join(' '), sureness: BEGINS }
  }
}

/** Every value of a control a text may begin with, the longest first. */
function* valuesAt(control: Control, text: string, byNumber: boolean): Generator<Start<number>> {
  const highest = highestValue(control.address)
  if (control.reading.kind === 'named')
    for (const { name, value } of control.reading.names.toSorted((a, b) => b.name.length - a.name.length)) {
      const flat = name.replace(/\s+/g, ' ')
      const rest = text.toLowerCase().startsWith(flat.toLowerCase()) ? behind(text, flat.length) : null
      if (rest === null) continue
      yield { value, rest, sureness: EXACT }
      return
    }
  const words = text.split(' ')
  for (let n = Math.min(words.length, 6); n >= 1; n--) {
    const head = words.slice(0, n).join(' ')
    const bare = head.replace(/[+;,]+$/, '').trim()
    const value = byNumber ? valueBehindNumber(control, bare) : valueOf(control, bare, highest)
    if (value === null || !canBeSet(control, value)) continue
    const rest = behind(text, bare.length)
    if (rest !== null) yield { value, rest, sureness: EXACT }
  }
}

function valueOf({ reading }: Control, text: string, highest: number): number | null {
  const read = valueFor(reading, text, highest)
  return read.ok ? read.value : null
}

/** A control is named well, and its value is not: that is worth more than "not understood". */
function badValueIn(rig: Rig, device: Device, text: string): CellRefusal | null {
  const starts = [...controlsAt(rig, device, text)]
  for (const { rest } of presetsAt(rig, device, text))
    if (rest !== '') starts.push(...controlsAt(rig, device, rest))
  const [found] = starts.sort((a, b) => b.sureness - a.sureness || a.rest.length - b.rest.length)
  if (!found) return null
  const { value: control, rest } = found
  const highest = highestValue(control.address)
  const read = valueFor(control.reading, rest.split(/[+;,]/)[0]!.trim(), highest)
  const allowed = !canBeSet(control, 0)
    ? 'nothing: it changes at every message, so no sound can set it'
    : read.ok
      ? ''
      : read.refusal.code === 'outside'
        ? `${read.refusal.low} to ${read.refusal.high}${read.refusal.unit && ` ${read.refusal.unit}`}`
        : read.refusal.allowed
  return allowed === ''
    ? null
    : { code: 'badValue', control: labelOf(rig, device, control.id), text: rest, allowed }
}

/** Presets and controls with a word that begins like a typed one. */
function nearTo(rig: Rig, device: Device, lower: string): string[] {
  const typed = wordsOf(lower)
  const isNear = (name: string) =>
    wordsOf(name).some((word) => typed.some((one) => word.startsWith(one.slice(0, 2))))
  const presets = Object.values(rig.presets).filter(
    ({ deviceId, name }) => deviceId === device.id && isNear(name),
  )
  const controls = [...labelsOf(rig, device)].filter(([label]) => isNear(label))
  return [
    ...presets.map(({ index }) => presetText(rig, device, index)),
    ...controls.map(([label]) => label),
  ].slice(0, 4)
}

/** What can be typed into a cell of a device that begins like `typed`, the nearest first; at most `most`. */
export function cellChoices(rig: Rig, device: Device, typed: string, most = 8): string[] {
  const text = typed.replace(/\s+/g, ' ').trim()
  const meanings = [...meaningsOf(rig, device, text)].sort((a, b) => b.sureness - a.sureness)
  const lower = text.toLowerCase()
  const contacts = heldContacts(rig, device)
  const words = [
    'off',
    'rest',
    'leave',
    'by foot',
    ...(contacts.length > 0 ? ['open'] : []),
    ...(contacts.length === 1 ? ['closed'] : contacts.map(({ name }) => `closed: ${name}`)),
    ...Object.values(rig.pairs)
      .filter(({ deviceId }) => deviceId === device.id)
      .flatMap(({ name }) => [`pair ${name}: A`, `pair ${name}: B`]),
    ...Object.values(rig.presets)
      .filter(({ deviceId, name }) => deviceId === device.id && name !== '')
      .sort((a, b) => a.index - b.index)
      .map(({ index }) => presetText(rig, device, index)),
  ]
  const fits = (word: string) => lower === '' || word.toLowerCase().startsWith(lower) || begins(lower, word)
  return [
    ...new Set([...meanings.map(({ cell }) => formatCell(rig, device, cell)), ...words.filter(fits)]),
  ].slice(0, most)
}
