import { PLAIN_LAMP, rowsOf, type Content } from './content'
import {
  domainOf,
  END,
  fieldsInOrder,
  rowFields,
  setterOf,
  type FieldAt,
  type Row,
  type RowShape,
} from './rows'
import { pressesIn, settingStrokes, type Domain } from './setting'
import type { Setter } from '../rig/table/keying'
import { valueIn } from './showing'

/** A content as numbers: which rows stand where, each by its number. */
interface Laid {
  /** By column, the row that stands there. */
  readonly rows: Int32Array
  /** Columns that are gone through, in order, with the fields before each. */
  readonly columns: Int32Array
  readonly before: Int32Array
}

/**
 * How many presses make one content of another, for many at once: equal rows are one number, and what one row takes to become
 * another is worked out once. The same as the presses of `amendSteps`, which a test holds it to.
 */
export class AmendPresses {
  private readonly numbers = new Map<string, number>()
  private readonly rows: Row[] = []
  private readonly columns = new Map<string, number>()
  private readonly costs: RowCosts
  private readonly laid: Laid[] = []
  private readonly reach: 'through' | 'enter' | 'direct'

  /** All contents there are, each known by its place among them. */
  constructor(
    shape: RowShape,
    contents: readonly { readonly content: Content; readonly capacity: number }[],
  ) {
    this.reach = shape.keying.reach.how
    const all = contents.map(({ content, capacity }) => rowsOf(content, capacity))
    const [end, lamp] = [this.number(END), this.number(PLAIN_LAMP)]
    for (const rows of all)
      for (const { at } of rows) if (!this.columns.has(at)) this.columns.set(at, this.columns.size)
    const plain = new Int32Array(this.columns.size)
    for (const [at, n] of this.columns) plain[n] = at.endsWith('/lamp') ? lamp : end
    all.forEach((rows) => {
      const laid = {
        rows: plain.slice(),
        columns: new Int32Array(rows.length),
        before: new Int32Array(rows.length),
      }
      let before = 0
      rows.forEach(({ at, row }, n) => {
        const column = this.columns.get(at)!
        laid.rows[column] = this.number(row)
        laid.columns[n] = column
        laid.before[n] = before
        before += fieldsInOrder(shape, row[0]).length
      })
      this.laid.push(laid)
    })
    this.costs = new RowCosts(shape, this.rows)
  }

  private number(row: Row): number {
    const text = row.join(' ')
    let n = this.numbers.get(text)
    if (n === undefined) {
      this.numbers.set(text, (n = this.rows.length))
      this.rows.push(row)
    }
    return n
  }

  /** Presses that make the content numbered `to` of that numbered `from`, both once open. */
  between(from: number, to: number): number {
    const { costs } = this
    const was = this.laid[from]!.rows
    const { rows, columns, before } = this.laid[to]!
    let presses = 0
    let [lastRow, changed] = [-1, 0]
    let last = 0
    for (let n = 0; n < columns.length; n++) {
      const column = columns[n]!
      const [a, b] = [was[column]!, rows[column]!]
      if (a === b) continue
      const at = costs.at(a, b)
      const its = costs.last[at]!
      if (its < 0) continue
      presses += costs.sum[at]!
      lastRow = n
      last = its
      changed++
      if (this.reach === 'enter') presses += 1 + (its >> 1) + (its & 1)
      else if (this.reach === 'direct') presses += 1 + (its >> 1) - costs.first[at]! + (its & 1)
    }
    if (lastRow < 0) return 0
    if (this.reach === 'through') return presses + before[lastRow]! + (last >> 1) + (last & 1)
    return this.reach === 'enter' ? presses + lastRow + changed - 1 : presses
  }
}

/** What every row takes to become every other, worked out when first asked for. */
class RowCosts {
  /** Presses of all settings, less one for each letter that moves on by itself. */
  readonly sum: Int32Array
  /** The last field that is set, doubled, and one more where it moves on; -1 where none is set. */
  readonly last: Int16Array
  readonly first: Int16Array
  private readonly size: number
  private readonly known: Uint8Array
  private readonly forms = new Map<Row[0], Form>()
  private readonly held: readonly Int32Array[]
  private readonly wanted: readonly Int32Array[]
  private readonly form: readonly Form[]

  constructor(shape: RowShape, rows: readonly Row[]) {
    this.size = rows.length
    if (this.size > ROWS_MAX) throw new RangeError(`${this.size} different rows, of ${ROWS_MAX} at most`)
    this.sum = new Int32Array(this.size * this.size)
    this.last = new Int16Array(this.size * this.size)
    this.first = new Int16Array(this.size * this.size)
    this.known = new Uint8Array(this.size * this.size)
    for (const [kind] of rows) if (!this.forms.has(kind)) this.forms.set(kind, formOf(shape, kind))
    this.form = rows.map(([kind]) => this.forms.get(kind)!)
    this.wanted = rows.map((row) =>
      Int32Array.from(this.forms.get(row[0])!.order.map(({ at }) => valueIn(shape, row, at))),
    )
    this.held = rows.map((row) => heldOf(shape, row))
  }

  at(a: number, b: number): number {
    const at = a * this.size + b
    if (!this.known[at]) this.work(a, b, at)
    return at
  }

  private work(a: number, b: number, at: number): void {
    const { order, setters } = this.form[b]!
    const [held, wanted] = [this.held[a]!, this.wanted[b]!]
    let [sum, last, first] = [0, -1, 0]
    for (let n = 0; n < order.length; n++) {
      const { set, domain, slot, costs } = setters[n]!
      const now = Math.min(held[slot] ?? 0, domain.size - 1)
      const to = wanted[n]!
      if (now === to || !set) continue
      const movesOn = set.how === 'type' ? 1 : 0
      let presses = costs?.[now * domain.size + to] ?? -1
      if (presses < 0) {
        presses = pressesIn(settingStrokes(set, domain, now, to, ''))
        if (costs) costs[now * domain.size + to] = presses
      }
      if (last < 0) first = n
      sum += presses - movesOn
      last = n * 2 + movesOn
    }
    this.sum[at] = sum
    this.last[at] = last
    this.first[at] = first
    this.known[at] = 1
  }
}

/** More different rows no board of a foot controller has; the tables would outgrow the memory of a page. */
export const ROWS_MAX = 6000

interface Form {
  readonly order: readonly FieldAt[]
  readonly setters: readonly {
    readonly set: Setter | null
    readonly domain: Domain
    /** Where {@link heldOf} keeps what the field held. */
    readonly slot: number
    /** Presses from each value to each; null for values too many for a table. */
    readonly costs: Int16Array | null
  }[]
}

const SLOTS: readonly string[] = [
  'kind',
  'channel',
  'number',
  'value',
  'other',
  'what',
  'amount',
  'every',
  'bpm',
  'positions',
  'group',
  'light',
  'colour',
]

function formOf(shape: RowShape, kind: Row[0]): Form {
  const order = fieldsInOrder(shape, kind)
  return {
    order,
    setters: order.map(({ field, at }) => {
      const domain = domainOf(shape, kind, field)
      const set = setterOf(shape, field)
      const slot = field === 'letter' ? SLOTS.length + at : SLOTS.indexOf(field)
      return { set, domain, slot, costs: set && tableOf(set, domain) }
    }),
  }
}

const tables = new WeakMap<Setter, Map<string, Int16Array>>()

/** One table for a setter and what it sets, since many fields are alike. */
function tableOf(set: Setter, { size, first }: Domain): Int16Array | null {
  if (size > 130) return null
  const its = tables.get(set) ?? new Map<string, Int16Array>()
  tables.set(set, its)
  const key = `${size}/${first}`
  const known = its.get(key) ?? new Int16Array(size * size).fill(-1)
  its.set(key, known)
  return known
}

/** What each field of a row holds, those its kind has not at 0; letters behind all. */
function heldOf(shape: RowShape, row: Row): Int32Array {
  const fields = rowFields(shape, row[0])
  const isName = row[0] === 'name'
  const held = new Int32Array(SLOTS.length + 1 + (isName ? fields.length : 0))
  if (isName) fields.forEach((_, n) => (held[SLOTS.length + n + 1] = row[n + 1] as number))
  else {
    held[0] = Math.max(0, valueIn(shape, row, 0))
    fields.forEach((field, n) => (held[SLOTS.indexOf(field)] = row[n + 1] as number))
  }
  return held
}
