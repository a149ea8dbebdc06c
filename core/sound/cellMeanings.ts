import { labelsOf, presetText, type TypedCell } from './formatCell'
import {
  valueBehindNumber,
  valueFor,
  parseDisplay,
  type Rig,
  highestValue,
  type Control,
  type Device,
  type SetValue,
} from '#core/rig'
import { canBeSet } from './want'

/** A way to read text, the surest first: by the device's own number, by whole names, by beginnings of words. */
export interface Meaning {
  readonly cell: TypedCell
  readonly sureness: number
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

export function* meaningsOf(rig: Rig, device: Device, text: string): Generator<Meaning> {
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
export function* presetsAt(rig: Rig, device: Device, text: string): Generator<Start<number>> {
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
export function begins(typed: string, name: string): boolean {
  const left = wordsOf(name)
  return (
    wordsOf(typed).every((word) => {
      const at = left.findIndex((one) => one.startsWith(word))
      if (at >= 0) left.splice(at, 1)
      return at >= 0
    }) && wordsOf(typed).length > 0
  )
}

export const wordsOf = (text: string): string[] =>
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

export function* controlsAt(rig: Rig, device: Device, text: string): Generator<Start<Control>> {
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

export function valueOf({ reading }: Control, text: string, highest: number): number | null {
  const read = valueFor(reading, text, highest)
  return read.ok ? read.value : null
}
