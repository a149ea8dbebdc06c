import type { FloorSeen, PostFloor } from '#shared/contract/floor'
import type { Database } from '../db/database'
import { floorsOf, storeFloor, type FloorRow } from '../db/repositories/floors'
import { logFault } from '../base/logFault'

/** Floors that are followed live: a desk posts what its floor shows, screens hear of it. */
export interface Floors {
  /** Takes what a desk shows, and tells all who follow; how many those are. */
  readonly post: (rigId: string, post: PostFloor) => Promise<number>
  /** Hears the floor as it is, where it is known, and every change, until what is given back is called. */
  readonly follow: (rigId: string, hear: (floor: FloorSeen) => void) => Promise<() => void>
  /** Called when the server ends: whoever follows should hang up. */
  readonly onEnd: (hangUp: () => void) => () => void
  readonly end: () => void
}

export interface FloorPaces {
  /** Between two looks at what other servers stored, in ms, while somebody follows. */
  readonly lookMs: number
  /** A floor is stored at most so often, in ms. */
  readonly storeMs: number
  /** A floor older than this gives way to a desk where nobody has stepped on anything yet, in ms. */
  readonly oldMs: number
}

const PACES: FloorPaces = { lookMs: 60, storeMs: 40, oldMs: 12 * 3_600_000 }
/** Rigs whose floor is kept at hand; those nobody follows go first. */
const ROOMS_MAX = 500

interface Room {
  last: FloorRow | null
  readonly hearers: Set<(floor: FloorSeen) => void>
  store: NodeJS.Timeout | null
}

export function createFloors(database: Database, paces: Partial<FloorPaces> = {}): Floors {
  const { lookMs, storeMs, oldMs } = { ...PACES, ...paces }
  const rooms = new Map<string, Room>()
  const hangUps = new Set<() => void>()
  let look: NodeJS.Timeout | null = null
  let isLooking = false

  function roomOf(rigId: string): Room {
    let room = rooms.get(rigId)
    if (!room) {
      for (const [id, { hearers, store }] of rooms) {
        if (rooms.size < ROOMS_MAX) break
        if (hearers.size === 0 && store === null) rooms.delete(id)
      }
      rooms.set(rigId, (room = { last: null, hearers: new Set(), store: null }))
    }
    return room
  }

  function take(room: Room, row: FloorRow): void {
    room.last = row
    const { at, revision, now } = row
    for (const hear of room.hearers) hear({ at, revision, now })
  }

  /** What other servers stored since. */
  async function lookAround(): Promise<void> {
    const followed = [...rooms].flatMap(([id, { hearers }]) => (hearers.size > 0 ? [id] : []))
    if (isLooking || followed.length === 0) return
    isLooking = true
    try {
      for (const row of await floorsOf(database, followed)) {
        const room = rooms.get(row.rigId)
        if (room && row.at > (room.last?.at ?? 0)) take(room, row)
      }
    } catch {
      // The next look may do; who steps or opens a page is told why the database does not answer.
    } finally {
      isLooking = false
    }
  }

  function watchWhileFollowed(): void {
    const isFollowed = [...rooms.values()].some(({ hearers }) => hearers.size > 0)
    if (isFollowed) look ??= setInterval(() => void lookAround(), lookMs)
    else if (look) {
      clearInterval(look)
      look = null
    }
  }

  /** Stored a little later, the last of what came meanwhile. */
  function storeSoon(room: Room): void {
    room.store ??= setTimeout(() => {
      room.store = null
      if (room.last) storeFloor(database, room.last).catch((error: unknown) => logFault('floor', error))
    }, storeMs)
  }

  async function known(rigId: string): Promise<Room> {
    const room = roomOf(rigId)
    if (!room.last) {
      const [row] = await floorsOf(database, [rigId])
      if (row && !room.last) room.last = row
    }
    return room
  }

  return {
    post: async (rigId, { by, isFirst, revision, now }) => {
      const room = isFirst ? await known(rigId) : roomOf(rigId)
      const { last } = room
      if (!isFirst || !last || last.by === by || Date.now() - last.at > oldMs) {
        take(room, { rigId, at: Math.max(Date.now(), (last?.at ?? 0) + 1), by, revision, now })
        storeSoon(room)
      }
      return room.hearers.size
    },
    follow: async (rigId, hear) => {
      const room = await known(rigId)
      room.hearers.add(hear)
      watchWhileFollowed()
      if (room.last) hear({ at: room.last.at, revision: room.last.revision, now: room.last.now })
      return () => {
        room.hearers.delete(hear)
        watchWhileFollowed()
      }
    },
    onEnd: (hangUp) => {
      hangUps.add(hangUp)
      return () => hangUps.delete(hangUp)
    },
    end: () => {
      if (look) clearInterval(look)
      for (const hangUp of hangUps) hangUp()
    },
  }
}
