/** A small store of text by key that outlives a reload. */
export interface Keep {
  readonly read: (key: string) => string | null
  readonly write: (key: string, value: string | null) => void
}

/**
 * Keeps in the given browser storage. A full or forbidden storage keeps nothing and stops nobody:
 * what is in it is a copy.
 */
function storageKeep(storage: () => Storage): Keep {
  return {
    read: (key) => attempt(() => storage().getItem(key)),
    write: (key, value) => {
      attempt(() => {
        if (value === null) storage().removeItem(key)
        else storage().setItem(key, value)
        return null
      })
    },
  }
}

function attempt(work: () => string | null): string | null {
  try {
    return work()
  } catch (error) {
    if (error instanceof DOMException) return null
    throw error
  }
}

/** This tab's own: survives a reload, not the closing of the tab. */
export const tabKeep: Keep = storageKeep(() => sessionStorage)

/** This browser's: shared by all tabs. */
export const browserKeep: Keep = storageKeep(() => localStorage)

export function memoryKeep(): Keep {
  const kept = new Map<string, string>()
  return {
    read: (key) => kept.get(key) ?? null,
    write: (key, value) => {
      if (value === null) kept.delete(key)
      else kept.set(key, value)
    },
  }
}
