import { rigName, type Rig } from '#core/rig'
import type { RigHolds, RigReply, RigSummary } from '#shared/contract/rigs'

/** Where the rigs opened last are kept as the server confirmed them, to be opened without it. */
export interface RigShelf {
  readonly keep: (reply: RigReply) => Promise<void>
  readonly find: (rigId: string) => Promise<RigReply | null>
  readonly list: () => Promise<readonly RigSummary[]>
  readonly forget: (rigId: string) => Promise<void>
}

/** The browser's store of answers, so that a rig of megabytes has room. */
const SHELF = 'wire-step-rigs'
/** More than a player has in hand; the oldest goes first. */
const KEPT_MOST = 12

const addressOf = (rigId: string): string => `/kept/${encodeURIComponent(rigId)}`

/** A shelf that keeps nothing where the browser has none, or none for a page that is not of its own machine. */
const open = async (): Promise<Cache | null> => {
  try {
    return typeof caches === 'undefined' ? null : await caches.open(SHELF)
  } catch {
    return null
  }
}

export const browserRigShelf: RigShelf = {
  keep: async (reply) => {
    const shelf = await open()
    if (!shelf) return
    try {
      // Put in anew, so that what was used last stands last.
      await shelf.delete(addressOf(reply.id))
      await shelf.put(addressOf(reply.id), new Response(JSON.stringify(reply)))
      const all = await shelf.keys()
      for (const request of all.slice(0, Math.max(0, all.length - KEPT_MOST))) await shelf.delete(request)
    } catch {
      // A full disk: what is kept is a copy, and the server has the rig.
    }
  },
  find: async (rigId) => {
    const found = await (await open())?.match(addressOf(rigId))
    return found ? ((await found.json()) as RigReply) : null
  },
  list: async () => {
    const shelf = await open()
    const replies = await Promise.all(
      ((await shelf?.keys()) ?? []).map(async (request) => (await shelf!.match(request))!.json()),
    )
    return (replies as RigReply[]).map(summaryOf).toReversed()
  },
  forget: async (rigId) => {
    await (await open())?.delete(addressOf(rigId))
  },
}

const summaryOf = ({ id, revision, changedAt, rig }: RigReply): RigSummary => ({
  id,
  name: rigName(rig),
  revision,
  changedAt,
  holds: holdsOf(rig),
})

const holdsOf = (rig: Rig): RigHolds => {
  const count = (table: keyof RigHolds) => Object.keys(rig[table]).length
  return {
    controllers: count('controllers'),
    devices: count('devices'),
    sounds: count('sounds'),
    banks: count('banks'),
    switches: count('switches'),
  }
}

/** For tests. */
export function memoryRigShelf(): RigShelf {
  const kept = new Map<string, RigReply>()
  return {
    keep: async (reply) => void kept.set(reply.id, reply),
    find: async (rigId) => kept.get(rigId) ?? null,
    list: async () => [...kept.values()].map(summaryOf),
    forget: async (rigId) => void kept.delete(rigId),
  }
}
