import type { Database } from '../db/database'
import type { KeptRigs } from './keptRigs'

/** Where rigs are: the database, and those in use at hand. */
export interface Store {
  readonly database: Database
  readonly kept: KeptRigs
}
