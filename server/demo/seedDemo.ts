import { countRigs } from '../db/repositories/rigHeads'
import { createRig } from '../services/rigs'
import type { Store } from '../services/store'
import { tidewright } from './tidewright'

/** Puts the demo rig into a database that holds no rig; never touches one that does. */
export async function seedDemo(store: Store, now: Date): Promise<void> {
  if ((await countRigs(store.database.db)) === 0) await createRig(store, tidewright(), now)
}
