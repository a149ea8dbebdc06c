import { getRouterParam, type H3Event } from 'h3'
import type { Fonts } from '../paper/sheet'
import type { Backups } from '../backup/backups'
import type { Floors } from '../services/floors'
import type { Store } from '../services/store'
import type { Settings } from '../base/settings'
import { apiError } from './apiError'
import type { Gate } from './gate'

/** What the server made of its settings at start; every request carries it. */
export interface Services {
  readonly settings: Settings
  readonly store: Store
  readonly floors: Floors
  readonly backups: Backups
  /** Read when a paper is first asked for. */
  readonly fonts: () => Promise<Fonts>
  /** Null: nobody has to sign in. */
  readonly gate: Gate | null
}

declare module 'h3' {
  interface H3EventContext {
    services?: Services
  }
}

/** Throws `unavailable` before the server has started. */
export function requireServices({ context }: H3Event): Services {
  if (!context.services) throw apiError('unavailable')
  return context.services
}

/** Throws `storageGone` when the database is no longer where it was. */
export function requireStore(event: H3Event): Store {
  const { store } = requireServices(event)
  store.database.requireThere()
  return store
}

export const rigIdOf = (event: H3Event): string => getRouterParam(event, 'id') ?? ''

/** Turns "no such rig" into the reply that says so. */
export function requireRig<Value>(found: Value | null): Value {
  if (found === null) throw apiError('noSuchRig')
  return found
}
