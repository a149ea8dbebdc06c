import type { Database } from '../db/database'
import { countRigs } from '../db/repositories/rigHeads'
import { createRig } from '../services/rigs'
import { tidewright } from './tidewright'

/** Puts the demo rig into a database that holds no rig; never touches one that does. */
export async function seedDemo(database: Database, now: Date): Promise<void> {
  if ((await countRigs(database.db)) === 0) await createRig(database, tidewright(), now)
}
