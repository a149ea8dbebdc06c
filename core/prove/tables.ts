import { LEFT, type Table } from '#core/explore'
import type { Part } from './parts'
import { AS_IT_WAS, keyOf, type Domains, type Target } from './targets'

/** A table by what it truly hangs on; null where it leaves all as it was. */
export function tableOf(
  { part, reads, known }: Target,
  domains: Domains,
  indexOf: ReadonlyMap<Part, number>,
  number: (value: unknown) => number,
): Table | null {
  const sizes = reads.map((read) => domains.of(read).values.length)
  const rows = sizes.reduce((product, size) => product * size, 1)
  const table = new Int32Array(rows)
  const row = reads.map(() => 0)
  const own = part === null ? -1 : reads.indexOf(part)
  for (let n = 0; n < rows; n++) {
    let rest = n
    for (let i = reads.length - 1; i >= 0; i--) {
      row[i] = rest % sizes[i]!
      rest = Math.floor(rest / sizes[i]!)
    }
    const value = known.get(keyOf(row))
    table[n] = value === AS_IT_WAS ? (own >= 0 ? row[own]! : LEFT) : number(value)
  }
  return slimmed(
    reads.map((read) => indexOf.get(read)!),
    sizes,
    table,
    own,
  )
}

/** Without what makes no difference. What goes by itself only to stay as it is, need not go by itself. */
function slimmed(
  reads: readonly number[],
  sizes: readonly number[],
  table: Int32Array,
  own: number,
): Table | null {
  if (own >= 0) {
    const alone = grouped(table, sizes, own).map((group) =>
      group.every((value, n) => value === n)
        ? LEFT
        : group.every((value) => value === group[0])
          ? group[0]!
          : null,
    )
    if (alone.every((value) => value !== null))
      return slimmed(reads.toSpliced(own, 1), sizes.toSpliced(own, 1), Int32Array.from(alone), -1)
  }
  for (let i = 0; i < reads.length; i++) {
    if (i === own) continue
    const groups = grouped(table, sizes, i)
    if (groups.every((group) => group.every((value) => value === group[0])))
      return slimmed(
        reads.toSpliced(i, 1),
        sizes.toSpliced(i, 1),
        Int32Array.from(groups, (group) => group[0]!),
        own > i ? own - 1 : own,
      )
  }
  return table.every((value) => value === LEFT) ? null : { reads, table }
}

/** The rows of a table that differ in one of the components only, for each way the others can be. */
function grouped(table: Int32Array, sizes: readonly number[], one: number): number[][] {
  const stride = sizes.slice(one + 1).reduce((product, size) => product * size, 1)
  const size = sizes[one]!
  return Array.from({ length: table.length / size }, (_, n) => {
    const first = Math.floor(n / stride) * stride * size + (n % stride)
    return Array.from({ length: size }, (__, value) => table[first + value * stride]!)
  })
}
