import { PLAIN_LAMP, rowsOf, type Content, type ListId } from './content'
import type { Field } from '#core/rig'
import { perObject } from '#core/base'
import {
  END,
  domainOf,
  fieldsInOrder,
  rowFields,
  setterOf,
  valuesOf,
  valueText,
  type FieldValues,
  type Row,
  type RowShape,
} from './rows'
import { settingStrokes, pressesIn, type Stroke } from './setting'
import { shownText, valueIn } from './showing'

/** A field that is set, with its place among the fields of its row. */
interface Setting {
  readonly nth: number
  readonly field: Field
  readonly strokes: readonly Stroke[]
  /** It is typed, and the next field is at hand by itself. */
  readonly movesOn: boolean
  readonly shows: string
}

/** What one row takes to become another. */
export interface RowChange {
  readonly settings: readonly Setting[]
  /** Presses for all settings. */
  readonly presses: number
}

const NO_CHANGE: RowChange = { settings: [], presses: 0 }

/** The fields of a row that differ, each set from what stands there; a field the row did not have stands at its first. */
function rowChange(shape: RowShape, from: Row, to: Row): RowChange {
  if (from === to) return NO_CHANGE
  const all = changes(shape)
  let its = all.get(to)
  if (!its) all.set(to, (its = new WeakMap()))
  let change = its.get(from)
  if (!change) its.set(from, (change = changeOf(shape, from, to)))
  return change
}

/** The same rows change into one another again and again. */
const changes = perObject((_: RowShape) => new WeakMap<Row, WeakMap<Row, RowChange>>())

function changeOf(shape: RowShape, from: Row, to: Row): RowChange {
  const was = valuesOf(shape, from)
  const settings: Setting[] = []
  fieldsInOrder(shape, to[0]).forEach(({ field, at }, nth) => {
    const domain = domainOf(shape, to[0], field)
    const now = standing(shape, was, from, to[0], field, at)
    const wanted = valueIn(shape, to, at)
    const set = setterOf(shape, field)
    if (now === wanted || !set) return
    const name = set.how === 'type' ? valueText(shape, to[0], field, wanted) : pickName(wanted)
    const strokes = settingStrokes(set, domain, now, wanted, name).map((stroke): Stroke =>
      stroke.until === undefined ? stroke : { ...stroke, at: valueText(shape, to[0], field, stroke.until) },
    )
    settings.push({
      nth,
      field,
      strokes,
      movesOn: set.how === 'type',
      shows: shownText(shape, soFar(shape, was, from, to, nth), field, at),
    })
  })
  return { settings, presses: settings.reduce((all, { strokes }) => all + pressesIn(strokes), 0) }
}

/** What stands in a field once its row is of another kind: what the field held, up to the highest it can hold now. */
function standing(
  shape: RowShape,
  was: FieldValues,
  from: Row,
  kind: Row[0],
  field: Field,
  at: number,
): number {
  const held = field === 'letter' ? ((from[0] === 'name' ? from[at] : 0) as number) : (was[field] ?? 0)
  return Math.min(held, domainOf(shape, kind, field).size - 1)
}

const pickName = (value: number): string => `value:${value}`

/** The row as it stands when its first `nth` fields and this one are set: those behind are what they were. */
function soFar(shape: RowShape, was: FieldValues, from: Row, to: Row, nth: number): Row {
  const order = fieldsInOrder(shape, to[0])
  const isSet = new Set(order.slice(0, nth + 1).map(({ at }) => at))
  const values = rowFields(shape, to[0]).map((field, n): number =>
    isSet.has(n + 1) ? (to[n + 1] as number) : standing(shape, was, from, to[0], field, n + 1),
  )
  return [to[0], ...values]
}

/** A step of a line: what is pressed, and what the display shows then; null where it shows nothing of its own. */
export interface KeyStep {
  readonly does: 'open' | 'clear' | 'copy' | 'set' | 'save'
  /** The row that is set. */
  readonly at: string | null
  readonly field: Field | null
  readonly strokes: readonly Stroke[]
  readonly shows: string | null
}

/** What makes one content of another while it is open, the cursor at its beginning. */
export function amendSteps(shape: RowShape, from: Content, to: Content, capacity: number): KeyStep[] {
  const { reach } = shape.keying
  const steps: KeyStep[] = []
  const rows = rowsOf(to, capacity)
  const was = lookup(from)
  /** Fields gone past since the last one set, or rows. */
  let passed = 0
  let before: Stroke[] = []
  rows.forEach(({ at, row, list, nth: place }, n) => {
    const { settings } = rowChange(shape, was(list, place, at), row)
    const count = fieldsInOrder(shape, row[0]).length
    if (reach.how === 'through') {
      let here = 0
      for (const { nth, field, strokes, movesOn, shows } of settings) {
        const moves = some(reach.next, passed + nth - here)
        steps.push({ does: 'set', at, field, strokes: [...moves, ...strokes], shows })
        passed = 0
        here = nth + (movesOn ? 1 : 0)
      }
      passed += count - here
      return
    }
    if (settings.length === 0) return
    if (reach.how === 'enter') before.push(...some(reach.down, n - passed), ...some(reach.enter, 1))
    else before.push(...some('pick', 1, `field:${at}:${settings[0]!.nth}`))
    passed = n
    let here = reach.how === 'enter' ? 0 : settings[0]!.nth
    for (const { nth, field, strokes, movesOn, shows } of settings) {
      steps.push({
        does: 'set',
        at,
        field,
        strokes: [...before, ...some(reach.next, nth - here), ...strokes],
        shows,
      })
      before = []
      here = nth + (movesOn ? 1 : 0)
    }
    if (reach.how === 'enter') before = some(reach.back, 1)
  })
  return steps
}

/** What a content has where a row stands; `end` where it has none. */
function lookup({ settings, lists, name }: Content) {
  const byId = new Map(lists.map((one) => [one.id, one]))
  return (list: ListId | null, nth: number, at: string): Row => {
    if (list === null) return (at === 'settings' ? settings : name) ?? END
    const its = byId.get(list)
    return nth < 0 ? (its?.lamp ?? PLAIN_LAMP) : (its?.rows[nth] ?? END)
  }
}

const some = (key: string, times: number, at?: string): Stroke[] =>
  times === 0 ? [] : [{ key, times, ...(at !== undefined && { at }) }]
