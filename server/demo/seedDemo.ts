import { countRigs } from '../db/repositories/rigHeads'
import { postEdit } from '../services/edits'
import { nameRevision } from '../services/history'
import { createRig } from '../services/rigs'
import type { Store } from '../services/store'
import { story } from './tidewright'

/** Puts the demo rig, with its history, into a database that never held a rig; never touches one that does. */
export async function seedDemo(store: Store): Promise<void> {
  if ((await countRigs(store.database.db)) > 0) return
  const { begun, begunAt, steps } = story()
  const { id } = await createRig(store, begun, new Date(begunAt))
  for (const [n, { at, edit, name }] of steps.entries()) {
    const posted = await postEdit(store, id, { id: `demo-${n}`, edit }, new Date(at))
    if (!posted.ok) throw new RangeError(`The demo rig cannot be made: ${posted.refusal.code}`)
    if (name) await nameRevision(store, id, posted.value.revision, name)
  }
}
