/**
 * The value an object itself holds under a key. Ids come from files and wires: `record[id]` would find
 * "constructor" or "toString" in every object.
 */
export const own = <Value>(
  record: { readonly [key: string]: Value } | undefined,
  key: string,
): Value | undefined => (record !== undefined && Object.hasOwn(record, key) ? record[key] : undefined)
