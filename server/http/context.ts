import { getRouterParam, type H3Event } from 'h3'
import type { Database } from '../db/database'
import { apiError } from './apiError'

let current: Database | null = null

/** Set once, when the server has opened its database. */
export function provideDatabase(database: Database): void {
  current = database
}

/** Throws `unavailable` before the database is open. */
export function requireDatabase(): Database {
  if (!current) throw apiError('unavailable')
  return current
}

export const rigIdOf = (event: H3Event): string => getRouterParam(event, 'id') ?? ''

/** Turns "no such rig" into the reply that says so. */
export function requireRig<Value>(found: Value | null): Value {
  if (found === null) throw apiError('noSuchRig')
  return found
}
