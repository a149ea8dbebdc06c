import type { Rig, TableName } from './rig'

/** What an answer hangs on: a table, or something made from some that stays the same object while it is the same. */
export type Key = TableName | ((rig: Rig) => object)

/**
 * A function of a rig that looks at some of its tables only, worked out once for each state of those: an edit
 * elsewhere costs it nothing. Tables never change, so an answer holds for as long as they are kept.
 */
export function perTables<Value>(names: readonly Key[], work: (rig: Rig) => Value): (rig: Rig) => Value {
  const known: Known<Value> = { deeper: new WeakMap() }
  return (rig) => {
    let at = known
    for (const name of names) {
      const part = typeof name === 'string' ? rig[name] : name(rig)
      let next = at.deeper.get(part)
      if (!next) at.deeper.set(part, (next = { deeper: new WeakMap() }))
      at = next
    }
    return (at.answer ??= { value: work(rig) }).value
  }
}

/** Answers by one table after the other. */
interface Known<Value> {
  readonly deeper: WeakMap<object, Known<Value>>
  answer?: { readonly value: Value }
}

/**
 * The same for a function of one row among some tables: after an edit only the rows it changed are worked
 * out again, or all when one of the tables is another.
 */
export function perRow<Row extends object, Value>(
  names: readonly Key[],
  work: (rig: Rig, row: Row) => Value,
): (rig: Rig, row: Row) => Value {
  const known = perTables(names, () => new WeakMap<Row, { readonly value: Value }>())
  return (rig, row) => {
    const answers = known(rig)
    let answer = answers.get(row)
    if (!answer) answers.set(row, (answer = { value: work(rig, row) }))
    return answer.value
  }
}

/** What decides who hears whom. */
export const CABLING = ['controllers', 'devices', 'cables'] as const satisfies readonly TableName[]
