/** A small store of text by key that outlives a reload. */
export interface Keep {
  readonly read: (key: string) => string | null
  /** False when there is no room, or no storage at all. */
  readonly write: (key: string, value: string | null) => boolean
}

/**
 * Keeps in the given browser storage. A full or forbidden storage stops nobody: what is in it is a copy, and
 * who writes is told.
 */
function storageKeep(storage: () => Storage): Keep {
  return {
    read: (key) => attempt(() => storage().getItem(key), null),
    write: (key, value) =>
      attempt(() => {
        if (value === null) storage().removeItem(key)
        else storage().setItem(key, value)
        return true
      }, false),
  }
}

function attempt<Value>(work: () => Value, otherwise: Value): Value {
  try {
    return work()
  } catch (error) {
    if (error instanceof DOMException) return otherwise
    throw error
  }
}

/** This tab's own: survives a reload, not the closing of the tab. */
export const tabKeep: Keep = storageKeep(() => sessionStorage)

/** This browser's: shared by all tabs. */
export const browserKeep: Keep = storageKeep(() => localStorage)

/** For tests; `room` is how many letters it holds. */
export function memoryKeep(room = Infinity): Keep {
  const kept = new Map<string, string>()
  return {
    read: (key) => kept.get(key) ?? null,
    write: (key, value) => {
      const others = [...kept].reduce((sum, [other, { length }]) => sum + (other === key ? 0 : length), 0)
      if (value === null) kept.delete(key)
      else if (others + value.length > room) return false
      else kept.set(key, value)
      return true
    },
  }
}
