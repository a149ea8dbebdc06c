import { inArray, lt } from 'drizzle-orm'
import type { Database } from '../database'
import { floors } from '../schema'

export type FloorRow = typeof floors.$inferSelect

export const floorsOf = ({ db }: Database, rigIds: readonly string[]): Promise<FloorRow[]> =>
  db
    .select()
    .from(floors)
    .where(inArray(floors.rigId, [...rigIds]))

/** Stored unless a later one is there already, of another server. */
export const storeFloor = ({ write }: Database, { rigId, ...fields }: FloorRow): Promise<unknown> =>
  write((tx) =>
    tx
      .insert(floors)
      .values({ rigId, ...fields })
      .onConflictDoUpdate({ target: floors.rigId, set: fields, setWhere: lt(floors.at, fields.at) })
      .run(),
  )
