import { perRow } from '#core/rig'
import { PLAN_KEYS } from '#core/simulate'
import type { Part, PartValue } from './parts'

/** A table longer than this is not made. */
const ROWS_MAX = 4_000

/** What a move makes of one part, by the values of what that hangs on, as far as it was looked at. */
export interface Target {
  /** Null for where it leads. */
  readonly part: Part | null
  reads: readonly Part[]
  /** What it goes by as well where a message for it is lost, since then it counts when that comes; null where none is. */
  wide: readonly Part[] | null
  /** By the values it goes by: what it is then, or {@link AS_IT_WAS}. */
  readonly known: Map<string, Outcome>
  /** The same by the values themselves, as far as it was looked at before an edit; null where an edit to other switches counts. */
  readonly kept: Map<string, Outcome> | null
  /** How many values each of what it goes by had when all rows were known. */
  sizes: string
}

/** The outcome of what leaves a part alone. */
export const AS_IT_WAS = Symbol('as it was')
export type Outcome = PartValue | typeof AS_IT_WAS

/** What switches make of parts, by what is done where to which part and what that goes by: an edit to others leaves it as it is. */
export const keptRows = perRow([...PLAN_KEYS, 'banks'], (): Map<string, Map<string, Outcome>> => new Map())

/** Names a row by its values themselves. */
export const valueKey = (values: readonly PartValue[]): string =>
  values.map((value) => `${typeof value} ${value}`).join('\n')

/** By part the values it can have, numbered as they were found. */
export class Domains {
  readonly #all = new Map<Part, { readonly values: PartValue[]; readonly index: Map<PartValue, number> }>()

  of(part: Part) {
    let domain = this.#all.get(part)
    if (!domain) this.#all.set(part, (domain = { values: [], index: new Map() }))
    return domain
  }

  put(part: Part, value: PartValue): boolean {
    const { values, index } = this.of(part)
    if (index.has(value)) return false
    index.set(value, values.length)
    values.push(value)
    return true
  }

  parts(): Part[] {
    return [...this.#all.keys()].sort()
  }
}

/** Targets that go by the same. */
export function sameReads(targets: readonly Target[]): Target[][] {
  const groups = new Map<string, Target[]>()
  for (const target of targets) {
    const key = target.reads.join(' ')
    const group = groups.get(key)
    if (group) group.push(target)
    else groups.set(key, [target])
  }
  return [...groups.values()]
}

/** What when a message comes hangs on counts as well: its rows are looked at anew. */
export function widen(target: Target): void {
  target.reads = target.wide!
  target.wide = null
  target.known.clear()
  target.sizes = ''
}

/** Nothing looked at yet. */
export const targetOf = (
  part: Part | null,
  reads: Iterable<Part>,
  wide: Iterable<Part> | null,
  kept: Target['kept'],
): Target => ({
  part,
  reads: [...reads].sort(),
  wide: wide && [...wide].sort(),
  known: new Map(),
  kept,
  sizes: '',
})

/** Names a row by the numbers of its values. */
export const keyOf = (row: readonly number[]): string => row.join()

/** Whether it has rows that are not known; those of what hangs on too much never are. */
export function isOpen(target: Target, domains: Domains, beyond: Set<Part>): boolean {
  const { part, reads } = target
  if (part !== null && beyond.has(part)) return false
  const sizes = reads.map((read) => domains.of(read).values.length)
  const text = `${sizes.join()};`
  if (text === target.sizes) return false
  target.sizes = text
  if (sizes.reduce((product, size) => product * size, 1) <= ROWS_MAX) return true
  if (part !== null) beyond.add(part)
  return false
}

/** Rows of several tables at a time, as long as they do not contradict each other. */
export function* rowsTogether(
  open: readonly { readonly reads: readonly Part[]; readonly rows: PartValue[][] }[],
): Generator<ReadonlyMap<Part, PartValue>> {
  while (open.some(({ rows }) => rows.length > 0)) {
    const given = new Map<Part, PartValue>()
    for (const { reads, rows } of open) {
      const at = rows.findIndex((row) =>
        reads.every((read, n) => !given.has(read) || given.get(read) === row[n]),
      )
      if (at >= 0) rows.splice(at, 1)[0]!.forEach((value, n) => given.set(reads[n]!, value))
    }
    yield given
  }
}

/** The rows of a table that are not known yet, as the values of what it goes by. */
export function missingRows({ reads, known }: Target, domains: Domains): PartValue[][] {
  const all: PartValue[][] = []
  const row: number[] = []
  const go = (n: number) => {
    if (n === reads.length) {
      if (!known.has(keyOf(row))) all.push(row.map((value, i) => domains.of(reads[i]!).values[value]))
      return
    }
    for (let value = 0; value < domains.of(reads[n]!).values.length; value++) {
      row[n] = value
      go(n + 1)
    }
  }
  go(0)
  return all
}
