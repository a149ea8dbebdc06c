/** A function that works its answer out once for each object it is given; the objects must never change. */
export function perObject<Key extends object, Value>(work: (key: Key) => Value): (key: Key) => Value {
  const known = new WeakMap<Key, { readonly value: Value }>()
  return (key) => {
    let found = known.get(key)
    if (!found) known.set(key, (found = { value: work(key) }))
    return found.value
  }
}
