/** Values over those that were there; the same object where there are none. */
export function over<Value>(before: { readonly [id: string]: Value }, after: ReadonlyMap<string, Value>) {
  if (after.size === 0) return before
  let all: { [id: string]: Value } = {}
  for (const id in before)
    if (!after.has(id)) {
      all = { ...before }
      break
    }
  for (const [id, value] of after) all[id] = value
  return all
}
