import { FIELDS, type Setter } from '#core/rig'
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
import { settingPresses, type Domain } from './setting'
import { valueIn } from './showing'

/** A place as numbers: the columns that are gone through, the row in each, and the fields before it. */
interface Laid {
  readonly columns: readonly number[]
  readonly rows: readonly number[]
  readonly before: readonly number[]
}

/**
 * How many presses make one content of another, for many at once: equal rows are one number, what one row takes to become
 * another is worked out once, and a whole board is gone through column by column. The same as the presses of `amendSteps`,
 * which tests hold it to.
 */
export class AmendPresses {
  private readonly numbers = new Map<string, number>()
  private readonly rows: Row[] = []
  private readonly laid: Laid[]
  /** By column, the row each content has there. */
  private readonly columns: Uint16Array[] = []
  /** By column, the row all have there; -1 where they differ. */
  private readonly alike: Int32Array
  private readonly costs: RowCosts
  private readonly reach: 'through' | 'enter' | 'direct'
  private readonly open: Int32Array

  /** All contents there are, each known by its place among them. */
  constructor(
    shape: RowShape,
    contents: readonly { readonly content: Content; readonly capacity: number }[],
  ) {
    this.reach = shape.keying.reach.how
    this.open = new Int32Array(contents.length)
    const [end, lamp] = [this.number(END), this.number(PLAIN_LAMP)]
    const columnOf = new Map<string, number>()
    this.laid = contents.map(({ content, capacity }, which) => {
      const laid = { columns: [] as number[], rows: [] as number[], before: [] as number[] }
      let before = 0
      for (const { at, row } of rowsOf(content, capacity)) {
        let column = columnOf.get(at)
        if (column === undefined) {
          columnOf.set(at, (column = columnOf.size))
          this.columns.push(new Uint16Array(contents.length).fill(at.endsWith('/lamp') ? lamp : end))
        }
        const number = this.number(row)
        this.columns[column]![which] = number
        laid.columns.push(column)
        laid.rows.push(number)
        laid.before.push(before)
        before += fieldsInOrder(shape, row[0]).length
      }
      return laid
    })
    this.alike = Int32Array.from(this.columns, (column) =>
      column.every((one) => one === column[0]) ? column[0]! : -1,
    )
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

  /** Presses that make the content numbered `to` of each of the first there are, all once open, put to `presses`. */
  into(to: number, presses: Int32Array): void {
    const { costs, reach, alike, open } = this
    const { columns, rows, before } = this.laid[to]!
    const count = presses.length
    presses.fill(0)
    const sums: { readonly sum: Int32Array; readonly has: Uint16Array }[] = []
    columns.forEach((column, n) => {
      if (alike[column] !== rows[n]) sums.push({ sum: costs.into(rows[n]!).sum, has: this.columns[column]! })
    })
    // Four columns at a time: what is summed is read and written less often.
    let n = 0
    for (; n + 3 < sums.length; n += 4) {
      const [{ sum: a, has: w }, { sum: b, has: x }] = [sums[n]!, sums[n + 1]!]
      const [{ sum: c, has: y }, { sum: d, has: z }] = [sums[n + 2]!, sums[n + 3]!]
      for (let u = 0; u < count; u++) presses[u]! += a[w[u]!]! + b[x[u]!]! + c[y[u]!]! + d[z[u]!]!
    }
    for (; n < sums.length; n++) {
      const { sum, has } = sums[n]!
      for (let u = 0; u < count; u++) presses[u]! += sum[has[u]!]!
    }
    if (reach === 'direct') return
    // From the last row back, since most end there: what is gone through up to the last that is set.
    let left = count
    for (let u = 0; u < count; u++) open[u] = u
    for (let n = columns.length - 1; n >= 0 && left > 0; n--) {
      const column = columns[n]!
      if (alike[column] === rows[n]) continue
      const { far } = costs.into(rows[n]!)
      const has = this.columns[column]!
      const past = reach === 'through' ? before[n]! : n
      let still = 0
      for (let k = 0; k < left; k++) {
        const u = open[k]!
        const its = far[has[u]!]!
        if (its === 0) open[still++] = u
        else presses[u]! += beyond(reach, past + its)
      }
      left = still
    }
  }

  /** The same of one only. */
  one(from: number, to: number): number {
    const { columns, rows, before } = this.laid[to]!
    let [presses, walk] = [0, 0]
    columns.forEach((column, n) => {
      const row = this.columns[column]![from]!
      const { sum, far } = this.costs.into(rows[n]!)
      if (far[row] === 0) return
      presses += sum[row]!
      walk = (this.reach === 'through' ? before[n]! : n) + far[row]!
    })
    return presses + beyond(this.reach, walk)
  }
}

/** Presses of going through to the last that is set; each row that was opened is closed, but for the last. */
const beyond = (reach: 'through' | 'enter' | 'direct', walk: number): number =>
  walk === 0 || reach === 'direct' ? 0 : reach === 'through' ? walk - 1 : walk - 2

/** What each row takes to become one: presses, and how far in it one goes and one more; both 0 where nothing is set. */
interface Into {
  readonly sum: Int32Array
  readonly far: Uint8Array
}

/** What every row takes to become every other, worked out when first asked for. */
class RowCosts {
  private readonly tables: (Into | null)[]
  private readonly forms = new Map<Row[0], Form>()
  /** By what is held, what each row holds of it. */
  private readonly held = new Map<number, Int32Array>()

  constructor(
    private readonly shape: RowShape,
    private readonly rows: readonly Row[],
  ) {
    this.tables = rows.map(() => null)
    for (const [kind] of rows) if (!this.forms.has(kind)) this.forms.set(kind, formOf(shape, kind))
    const all = rows.map((row) => heldOf(shape, row))
    for (const form of this.forms.values())
      for (const { slot } of form)
        if (!this.held.has(slot))
          this.held.set(
            slot,
            Int32Array.from(all, (one) => one[slot] ?? 0),
          )
  }

  into(to: number): Into {
    return (this.tables[to] ??= this.work(to))
  }

  private work(to: number): Into {
    const row = this.rows[to]!
    const count = this.rows.length
    const { how } = this.shape.keying.reach
    const presses = new Int32Array(count)
    /** The last field that is set, and one more; and the first. */
    const last = new Int16Array(count)
    const first = new Int16Array(count)
    let movesOn = 0
    this.forms.get(row[0])!.forEach(({ at, set, domain, slot, costs }, n) => {
      if (!set) return
      const held = this.held.get(slot)!
      const wanted = valueIn(this.shape, row, at)
      const most = domain.size - 1
      // A letter that was typed moves on by itself.
      movesOn = set.how === 'type' ? 1 : 0
      for (let from = 0; from < count; from++) {
        const now = held[from]! > most ? most : held[from]!
        if (now === wanted) continue
        const at = now * domain.size + wanted
        let its = costs ? costs[at]! : -1
        if (its < 0) {
          its = settingPresses(set, domain, now, wanted)
          if (costs) costs[at] = its
        }
        if (last[from] === 0) first[from] = n
        presses[from]! += its - movesOn
        last[from] = n + 1
      }
    })
    const far = new Uint8Array(count)
    for (let from = 0; from < count; from++) {
      const its = last[from]!
      if (its === 0) continue
      far[from] = how === 'through' ? its + movesOn : 1
      if (how === 'enter') presses[from]! += its + movesOn + 1
      else if (how === 'direct') presses[from]! += its - first[from]! + movesOn
    }
    return { sum: presses, far }
  }
}

/** Of more different rows the tables would outgrow the memory of a page. */
export const ROWS_MAX = 4000

interface FormField extends FieldAt {
  readonly set: Setter | null
  readonly domain: Domain
  /** Where {@link heldOf} keeps what the field held. */
  readonly slot: number
  /** Presses from each value to each, -1 where not yet asked for; null for values too many for a table. */
  readonly costs: Int16Array | null
}

type Form = readonly FormField[]

const SLOTS: readonly string[] = FIELDS.filter((field) => field !== 'letter')

const formOf = (shape: RowShape, kind: Row[0]): Form =>
  fieldsInOrder(shape, kind).map(({ field, at }) => {
    const domain = domainOf(shape, kind, field)
    const set = setterOf(shape, field)
    const slot = field === 'letter' ? SLOTS.length + at : SLOTS.indexOf(field)
    return { field, at, set, domain, slot, costs: set && tableOf(set, domain) }
  })

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
